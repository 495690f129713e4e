class Page < ApplicationRecord
  include Pointing
  include Told, Looks, Addressed, PubliclyIdentified, Titled, Placed, Drafting, Publishing, AccessListed, Movable, Promised, Named, Binnable, Erasable, Staying, Renaming, Tagged, Copyable, Findable, Inserted, Counted, Stated, Reviewed, Timed, Retracting, Thinned, CaredFor

  belongs_to :room
  belongs_to :author, class_name: "Person"
  has_many :links, -> { in_texts }, class_name: "Reference"
  has_many :sections
  has_many :page_files, dependent: :destroy
  has_many :tasks
  has_many :pins
  has_many :readings
  has_one :put_aside

  has_ancestry ancestry_format: :materialized_path2, orphan_strategy: :restrict
  positioned on: %i[room_id ancestry]

  # What of pages is seen, by the rules of Zuhause::Access::Sight; what is in the bin is met nowhere but there.
  scope :seen_by, ->(viewer) { with_sight(:edition, viewer) }
  scope :drafts_seen_by, ->(viewer) { with_sight(:draft, viewer) }
  scope :with_sight, ->(sight, viewer) { where(viewer.seeing(sight)) }
  scope :read_by, ->(viewer) { where(viewer.reading(arel_table)) }
  scope :writable_by, ->(viewer) { kept.giving(viewer, :write).where(room: Room.in_use) }
  scope :at_top, -> { roots }
  # What stands in one place is to be looked up there, whoever asks: for people with few access lists SQLite would rather go
  # through all pages of these, once for each place.
  scope :by_ancestry, -> { from("pages INDEXED BY index_pages_on_ancestry") }
  scope :by_room, -> { from("pages INDEXED BY index_pages_on_room_id_and_ancestry_and_position") }
  scope :in_earnest, -> { where.not(room_id: Room.practice_room&.id) }

  # Begins a page at the end of the plan below +above+.
  #
  # @param above [Room, Page]
  # @param from [Template, ShippedTemplate, nil] what it starts from
  # @param language [String, nil] of {Page::Looks::LANGUAGES}
  # @param work [Work, nil] for which it is made; nobody sees it until that is done
  # @return [Page] with errors if the title will not do
  def self.begin(title:, above:, by:, at: Time.current, public_id: nil, from: nil, language: nil, work: nil)
    page = new(title: Zuhause::Document::Title.clean(title), public_id: public_id, author: by, language: language, created_at: at)
    transaction do
      above = above.class.find(above.id) # its place, its room and whom it is open to may have changed since it was read
      page.assign_attributes(room: above.room, access_list: above.access_list, parent: (above if above.is_a?(Page)))
      next page.errors.add(:base, :in_bin) if above.is_a?(Page) && above.binned? && work.nil?

      page.start_draft(by: by, at: at) && page.start_from(from, by: by, at: at) && Promise.keep(page) && Happening.write(:begun, page, by: by, at: at) if page.save
      page.update!(bin_root_id: page.id, binned_at: at) if work && page.persisted?
    end
    page
  end

  # @return [Array<Page>, nil] see SeenPath
  attr_accessor :seen_path

  def points_to
    pointing(:look, :file, cover&.public_id) + pointing(:look, :file, Page::Looks.file_of(icon))
  end

  # @return [Room, Page] what it stands in
  def above
    parent || room
  end
end
