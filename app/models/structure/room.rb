class Room < ApplicationRecord
  include Pointing, PubliclyIdentified, Placed, Owned, Practised, Worded

  COLOURS = %w[brick petrol ochre moss plum slate rose umber].freeze

  has_many :pages
  has_many :signposts, dependent: :delete_all
  belongs_to :front_page, class_name: "Page", optional: true
  points_by :front_page_id, uses: %w[front]

  positioned
  worded name: 80, description: 300

  normalizes :name, :description, with: ->(text) { Zuhause::Document::Title.clean(text) }
  validates :name, presence: true, length: { maximum: 80 }
  validates :description, length: { maximum: 300 }
  validates :colour, inclusion: { in: COLOURS }
  validates :editions_thinned_after, numericality: { only_integer: true, in: 1..120 }, allow_nil: true

  # Who sees any page of a room sees its door.
  scope :seen_by, lambda { |viewer|
    giving(viewer, :read).or(where(Page.by_room.seen_by(viewer).where("pages.room_id = rooms.id").arel.exists))
  }
  scope :in_use, -> { where(archived_at: nil) }
  scope :writable_by, ->(viewer) { in_use.giving(viewer, :write) }

  # @return [String] what fewest doors among those are painted in, so that a new one is told from them
  def self.rarest_colour(rooms)
    painted = rooms.pluck(:colour).tally
    COLOURS.min_by { |colour| painted.fetch(colour, 0) }
  end

  # Opens a room with its first keeper.
  #
  # @param open [Boolean] whether everyone here may read it from the start
  # @return [Boolean] whether it could be saved; if not, see errors
  def open_for(keeper, open: false)
    grants = [ [ Zuhause::Access::Holder.new(:person, keeper.id), :keep ], ([ Zuhause::Access::Holder.everyone, :read ] if open) ]
    open_with(grants.compact.map { |holder, level| Zuhause::Access::Grant.new(holder, level) }, by: keeper)
  end

  # @param grants [Array<Zuhause::Access::Grant>] of which one keeps it
  # @param details [Hash] of what is recorded
  # @return [Boolean] whether it could be saved; if not, see errors
  def open_with(grants, by:, **details)
    self.access_list ||= AccessList.for(Zuhause::Access::List.new([]))
    transaction do
      save && change_access do
        grants.each { |grant| access_grants.create!(AccessGrant.columns_for(grant)) }
        Happening.write(:room_made, self, by: by, **details)
      end.then { true }
    end
  end

  # Puts links to pages elsewhere into its plan.
  #
  # @param pages [Enumerable<Page>]
  def lead_to(pages)
    transaction { pages.each { |page| Signpost.new(kind: "link", title: page.title, target: "page:#{page.public_id}").stand(above: self, before: nil) } }
  end

  # Changes what it is called and looks like.
  # @return [Boolean] false, with errors, if something will not do
  def describe(attributes, by:)
    transaction do
      before = self[:name]
      update(attributes) && (saved_changes.any? ? Happening.write(:room_changed, self, by: by, before: (before if before != self[:name])) : true) && true
    end
  end

  def room
    self
  end

  def archived?
    archived_at.present?
  end

  def archive(by: nil, at: Time.current)
    transaction { update!(archived_at: at) && Happening.write(:archived, self, by: by, at: at) }
  end

  def reopen(by: nil)
    transaction { update!(archived_at: nil) && Happening.write(:reopened, self, by: by) }
  end

  # @return [Boolean] false if there is no room to go past
  def go_past(other)
    return false unless other

    update!(position: other.position < position ? { before: other } : { after: other })
  end

  def initial
    name[0].upcase
  end

  def points_to
    pointing(:front, :page, front_page&.public_id)
  end

  # Pages whose access follows this place.
  def touched_pages
    pages.kept
  end

  def lowest_to_see
    :read
  end

  # @param grants [Array<Zuhause::Access::Grant>] what it would grant
  # @return [Zuhause::Access::Exposure]
  def exposure_with(grants)
    trial_of(grants).exposure
  end

  # @return [AccessTrial]
  def trial_of(grants)
    AccessTrial.new(touched_pages, above: Zuhause::Access::List.new(grants))
  end

  # @return [Zuhause::Access::Place]
  def to_place
    Zuhause::Access::Place.new(self, grants: access_grants.map(&:to_grant), archived: archived?)
  end

  def refresh_access_lists
    list = Zuhause::Access::List.of(to_place)
    before = access_list_id
    update!(access_list: AccessList.for(list))
    Page.refresh_access_lists(pages.at_top, list)
    AccessList.prune([ before ])
  end
end
