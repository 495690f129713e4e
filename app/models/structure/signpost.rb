# What the plan holds besides pages: a heading that groups what follows, or a link to a page elsewhere or to another
# site. It stands before a page, or at the end of the branch, and goes nowhere when that page does.
class Signpost < ApplicationRecord
  include Pointing

  KINDS = %w[heading link].freeze

  belongs_to :room
  belongs_to :parent, class_name: "Page", optional: true
  belongs_to :before, class_name: "Page", optional: true
  points_by :target, :title, :room_id, :parent_id, uses: %w[plan]

  normalizes :title, with: ->(title) { Zuhause::Document::Title.clean(title) }
  validates :title, presence: true, length: { maximum: 200 }
  validates :kind, inclusion: { in: KINDS }
  validate :leads_somewhere

  scope :in_order, -> { order(:position, :id) }

  # Those that stood before a page stay where they are when it goes: before the next one.
  def self.let_go(page)
    following = page.room.pages.where(ancestry: page.ancestry, position: (page.position + 1)..).order(:position).first
    first = where(before: following, room_id: page.room_id, parent_id: page.parent_id).minimum(:position).to_i
    own = where(before: page).in_order.to_a
    own.each_with_index { |signpost, i| signpost.update_columns(before_id: following&.id, position: first - own.size + i) }
  end

  # @return [Room, Page]
  def above
    parent || room
  end

  def above=(place)
    self.room = place.room
    self.parent = place.is_a?(Page) ? place : nil
  end

  # @param before [Page, nil] the page that it is to stand before; nil for the end
  # @param behind [Signpost, nil, Symbol] the one there that it is to stand behind; nil for the first, :last for the last
  def stand(above:, before:, behind: :last)
    transaction do
      others = Signpost.where(room: above.room, parent: (above if above.is_a?(Page)), before: before).where.not(id: id).in_order.to_a
      at = behind == :last ? others.size : (others.index(behind) || -1) + 1
      others.insert(at, self).each_with_index { |signpost, i| signpost.position = i }
      update!(above: above, before: before)
      others.each(&:save!)
    end
  end

  # @return [Zuhause::Links::Target, nil]
  def link_target
    Zuhause::Links::Target.parse(target.to_s)
  end

  def points_to
    link_target ? [ Zuhause::Links::Reference.new(target: link_target, use: :plan, label: title, context: title) ] : []
  end

  # Whoever sees what it stands below.
  def pointing_judged_by
    parent_id ? { page_id: parent_id } : { room_id: room_id }
  end

  private

  def leads_somewhere
    return self.target = nil unless kind == "link"

    parsed = link_target
    return errors.add(:target, :nowhere) unless parsed && %i[page web].include?(parsed.kind)

    self.target = parsed.to_s
  end
end
