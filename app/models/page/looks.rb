# What a page looks like, apart from its text: an icon, a cover picture, and the language it is written in.
module Page::Looks
  extend ActiveSupport::Concern

  ICONS = Icons::FOLDER.glob("page/*.svg").map { |path| path.basename(".svg").to_s }.sort.freeze
  # Names in the languages themselves.
  LANGUAGES = { "en" => "English", "ar" => "العربية", "bg" => "Български", "cs" => "Čeština", "da" => "Dansk", "de" => "Deutsch", "el" => "Ελληνικά", "es" => "Español", "et" => "Eesti", "fa" => "فارسی",
                "fi" => "Suomi", "fo" => "Føroyskt", "fr" => "Français", "he" => "עברית", "hr" => "Hrvatski", "hu" => "Magyar", "is" => "Íslenska", "it" => "Italiano", "ja" => "日本語", "ko" => "한국어",
                "lt" => "Lietuvių", "lv" => "Latviešu", "nb" => "Norsk bokmål", "nl" => "Nederlands", "nn" => "Norsk nynorsk", "pl" => "Polski", "pt" => "Português", "ro" => "Română", "sk" => "Slovenčina",
                "sl" => "Slovenščina", "sr" => "Српски", "sv" => "Svenska", "tr" => "Türkçe", "uk" => "Українська", "ur" => "اردو", "zh" => "中文" }.freeze
  FROM_THE_RIGHT = %w[ar fa he ur].freeze

  included do
    belongs_to :cover, class_name: "PageFile", optional: true
    has_one :template, dependent: :delete

    normalizes :icon, :language, with: ->(text) { text.presence }
    validates :icon, inclusion: { in: ICONS }, allow_nil: true
    validates :language, inclusion: { in: LANGUAGES.keys }, allow_nil: true
  end

  # @param language [String]
  # @return [String] "rtl" or "ltr"
  def self.direction(language)
    FROM_THE_RIGHT.include?(language) ? "rtl" : "ltr"
  end

  # @param upload [ActionDispatch::Http::UploadedFile]
  # @raise [PageFile::Unfit]
  def cover_with(upload, by:)
    transaction do
      file = PageFile.take(upload, page: self, by: by)
      raise PageFile::Unfit, "no_picture" unless %w[picture drawing].include?(file.kind)

      update!(cover: file)
    end
  end

  # Looks as another page has them, as far as whoever copies may see its cover.
  def look_like(other, by:)
    self.icon, self.language = other.icon, other.language
    own = other.cover && PageFile.adopt([ other.cover.public_id ], page: self, by: by)[other.cover.public_id]
    self.cover = PageFile.find_by(public_id: own) if own
    save!
  end
end
