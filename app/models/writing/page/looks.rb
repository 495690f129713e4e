# What a page looks like, apart from its text: an icon of ours or a picture of one's own in its place, a cover picture, and
# the language it is written in.
module Page::Looks
  extend ActiveSupport::Concern

  ICONS = Icons::FOLDER.glob("page/*.svg").map { |path| path.basename(".svg").to_s }.sort.freeze
  OWN_ICON = "file:" # and the public id of one of the page's files
  # Names in the languages themselves.
  LANGUAGES = { "en" => "English", "ar" => "العربية", "bg" => "Български", "cs" => "Čeština", "da" => "Dansk", "de" => "Deutsch", "el" => "Ελληνικά", "es" => "Español", "et" => "Eesti", "fa" => "فارسی",
                "fi" => "Suomi", "fo" => "Føroyskt", "fr" => "Français", "he" => "עברית", "hr" => "Hrvatski", "hu" => "Magyar", "is" => "Íslenska", "it" => "Italiano", "ja" => "日本語", "ko" => "한국어",
                "lt" => "Lietuvių", "lv" => "Latviešu", "nb" => "Norsk bokmål", "nl" => "Nederlands", "nn" => "Norsk nynorsk", "pl" => "Polski", "pt" => "Português", "ro" => "Română", "sk" => "Slovenčina",
                "sl" => "Slovenščina", "sr" => "Српски", "sv" => "Svenska", "tr" => "Türkçe", "uk" => "Українська", "ur" => "اردو", "zh" => "中文" }.freeze
  FROM_THE_RIGHT = %w[ar fa he ur].freeze

  included do
    belongs_to :cover, class_name: "PageFile", optional: true
    points_by :cover_id, :icon, uses: %w[look]
    after_update(if: :saved_change_to_language?) { [ Reference, UnlinkedName ].each { |follower| follower.follow_language(self) } }
    has_one :template, dependent: :delete

    normalizes :icon, :language, with: ->(text) { text.presence }
    validates :icon, inclusion: { in: ->(page) { [ *ICONS, *page.icon_files ] } }, allow_nil: true
    validates :language, inclusion: { in: LANGUAGES.keys }, allow_nil: true
  end

  # @param language [String]
  # @return [String] "rtl" or "ltr"
  def self.direction(language)
    FROM_THE_RIGHT.include?(language) ? "rtl" : "ltr"
  end

  # @param icon [String, nil] as kept with a page
  # @return [String, nil] the public id of the file that it shows, if it is a picture of one's own
  def self.file_of(icon)
    icon.delete_prefix(OWN_ICON) if icon.to_s.start_with?(OWN_ICON)
  end

  # @param upload [ActionDispatch::Http::UploadedFile]
  # @raise [FileFit::Unfit]
  def cover_with(upload, by:)
    transaction { update!(cover: take_picture(upload, by: by)) }
  end

  # The same for an icon.
  def icon_with(upload, by:)
    transaction { update!(icon: OWN_ICON + take_picture(upload, by: by).public_id) }
  end

  # @return [Array<String>] icons that this page's own files can be
  def icon_files
    icon.to_s.start_with?(OWN_ICON) ? page_files.pluck(:public_id).map { |id| OWN_ICON + id } : []
  end

  # @param icon [String, nil] of another page
  # @return [String, nil] the same for this one, as far as whoever takes it may see it there
  def icon_like(icon, by:)
    file = Page::Looks.file_of(icon) or return icon

    PageFile.adopt([ file ], page: self, by: by)[file]&.then { |own| OWN_ICON + own }
  end

  # Looks as another page has them, as far as whoever copies may see its cover.
  def look_like(other, by:)
    self.icon, self.language = icon_like(other.icon, by: by), other.language
    own = other.cover && PageFile.adopt([ other.cover.public_id ], page: self, by: by)[other.cover.public_id]
    self.cover = PageFile.find_by(public_id: own) if own
    save!
  end

  private

  def take_picture(upload, by:)
    PageFile.take(upload, page: self, by: by).tap { |file| raise FileFit::Unfit, "no_picture" unless %w[picture drawing].include?(file.kind) }
  end
end
