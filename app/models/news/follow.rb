# That somebody wants to be told of a page, with what is below it if they say so, of a room, of what carries a tag, or of what a kept
# search finds. A follow that is stopped stays, so that nothing begins it again behind their back.
class Follow < ApplicationRecord
  TARGETS = { "Page" => :page, "Room" => :room, "Tag" => :tag, "KeptSearch" => :kept_search }.freeze

  belongs_to :person
  TARGETS.each_value { |target| belongs_to target, optional: true }

  scope :on, -> { where(stopped: false) }

  class << self
    # @param target [Page, Room, Tag, KeptSearch]
    # @return [Follow]
    def begin(person, target, below: false, at: Time.current)
      follow = find_or_initialize_by(key(person, target))
      follow.created_at ||= at
      follow.update!(below: target.is_a?(Page) && below ? true : false, stopped: false)
      follow
    rescue ActiveRecord::RecordNotUnique
      retry
    end

    # What comes of writing, or of being invited: it does not undo what somebody has stopped.
    def begin_by_itself(person, target, at: Time.current)
      create_or_find_by!(key(person, target)) { |follow| follow.created_at = at }
    end

    # Writers follow what they write, unless they would rather not; small changes and what is brought in by the heap make nobody follow.
    def follow_edition(page, edition)
      return if edition.small? || Happening.withheld? || page.room.practice? || !NewsSetting.of(edition.author).follows_own?

      begin_by_itself(edition.author, page, at: edition.published_at)
    end

    # @return [Boolean] whether somebody who publishes a page now follows it then, unless they say otherwise
    def follows_on?(person, page)
      follow = of(person, page)
      follow ? !follow.stopped? : NewsSetting.of(person).follows_own?
    end

    # What somebody chose beside publishing.
    def choose(person, page, follows)
      return if follows_on?(person, page) == follows

      follows ? self.begin(person, page) : stop(person, page)
    end

    # Nothing more is told of it for the reason that one follows or keeps it.
    def stop(person, target)
      self.begin(person, target).update!(stopped: true)
    end

    # @return [Follow, nil]
    def of(person, target)
      find_by(key(person, target)) if person
    end

    # @param page [Page]
    # @return [Array<Integer>] ids of people who follow it, for whatever reason
    def followers_of(page)
      found = on.where(page_id: page.id).or(on.where(page_id: page.ancestor_ids, below: true)).or(on.where(room_id: page.room_id)).or(on.where(tag_id: page.taggings.select(:tag_id)))
      (found.distinct.pluck(:person_id) | searchers_of(page)) - stoppers_of(page)
    end

    # @param room [Room]
    # @return [Array<Integer>]
    def followers_of_room(room)
      on.where(room: room).pluck(:person_id)
    end

    # @return [Array<Integer>] ids of people who want to hear of it no more
    def stoppers_of(page)
      where(stopped: true, page_id: page.id).pluck(:person_id)
    end

    private

    def key(person, target)
      { person: person, TARGETS.fetch(target.class.name) => target }
    end

    # What each search finds is judged by what whoever keeps it may read.
    def searchers_of(page)
      on.where.not(kept_search_id: nil).includes(:person, :kept_search).select do |follow|
        viewer = Viewer.new(follow.person)
        viewer.sees?(page) && follow.kept_search.search(viewer).finds?(page)
      end.map(&:person_id)
    end
  end

  # @return [Page, Room, Tag, KeptSearch]
  def target
    page || room || tag || kept_search
  end
end
