# A word that pages carry, the same in all rooms.
class Tag < ApplicationRecord
  include PubliclyIdentified

  LONGEST = 40
  MOST = 20 # on one page

  has_many :taggings, dependent: :delete_all
  has_many :pages, through: :taggings

  # One spelling for all: a spelling of one's own would tell that somebody else, somewhere closed, has another.
  normalizes :name, with: ->(name) { name.downcase }
  validates :name, presence: true, length: { maximum: LONGEST }, uniqueness: { case_sensitive: false }

  scope :by_name, -> { order(:name) }
  # Whoever sees none of the pages that carry a tag does not meet it.
  scope :seen_by, lambda { |viewer|
    carrying = Page.seen_by(viewer).from("taggings CROSS JOIN pages").where("pages.id = taggings.page_id AND taggings.tag_id = tags.id")
    where(carrying.select("1").arel.exists)
  }

  # @param text [String] names with commas between them
  # @return [Array<String>] names as they are kept
  def self.names_in(text)
    Zuhause::Document::Title.clean(text.to_s).split(",").map(&:strip).reject(&:empty?).map(&:downcase).uniq
  end

  # @return [Tag] the one of that name, with errors if it cannot be
  def self.named(name)
    find_by(name: name) || create(name: name)
  end

  # Gives pages another name for this tag; if there is one of that name, they carry that from now on.
  #
  # @param pages [ActiveRecord::Relation<Page>] those of the pages that carry it which whoever renames it may write
  # @return [Tag] the tag of the new name, with errors if it cannot be
  def rename(name, pages:)
    name = self.class.names_in(name).join(" ")
    transaction do
      ids = taggings.where(page: pages).pluck(:page_id)
      other = all_of?(ids) && !Tag.where(name: name).excluding(self).exists? ? tap { update(name: name) } : Tag.named(name)
      next other if other.errors.any? || other == self

      Tagging.insert_all(ids.map { |page_id| { tag_id: other.id, page_id: page_id } }) if ids.any?
      take_from(ids)
      other
    end
  end

  # @param page_ids [Array<Integer>]
  def take_from(page_ids)
    taggings.where(page_id: page_ids).delete_all
    destroy! if taggings.none?
  end

  private

  def all_of?(page_ids)
    taggings.count == page_ids.size
  end
end
