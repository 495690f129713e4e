# A page that new pages can start from, as it is published: of its room, or of the whole house.
class Template < ApplicationRecord
  include Pointing

  LONGEST = 200

  belongs_to :page
  points_by :page_id, uses: %w[template]
  after_destroy { Reference.let_go("template", :page, page.public_id) }

  normalizes :description, with: ->(text) { Zuhause::Document::Title.clean(text) }
  normalizes :whole_house, with: ->(given) { given || false }, apply_to_nil: true
  validates :description, length: { maximum: LONGEST }

  # Templates on pages that the viewer reads.
  scope :offered_to, ->(viewer) { where(page_id: Page.read_by(viewer).select(:id)) }
  scope :for_room, ->(room) { where(whole_house: true).or(where(page_id: room.pages.select(:id))) }

  delegate :title, :icon, to: :page

  def key
    page.public_id
  end

  def points_to
    pointing(:template, :page, page.public_id)
  end

  def pointing_as
    { page_id: page_id }
  end

  def document
    page.edition.document
  end
end
