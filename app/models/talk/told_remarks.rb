# Some remarks with what they are told with, looked up together: replies, voices, who is named, pages that are pointed to.
class ToldRemarks
  # @param firsts [Enumerable<Remark>] each a first
  # @param viewer [Viewer]
  # @param replies [Boolean] whether replies are told in full, or counted
  def initialize(firsts, viewer, replies: true)
    @firsts, @viewer, @in_full = firsts.to_a, viewer, replies
    preload if replies
  end

  attr_reader :firsts, :viewer

  # @return [Array<Remark>]
  def replies_to(remark)
    replies.fetch(remark.id, [])
  end

  # @return [Integer]
  def reply_count(remark)
    @in_full ? replies_to(remark).count { |reply| !reply.removed? } : counts.fetch(remark.id, 0)
  end

  # @return [Integer] people
  def voices(remark, kind)
    voice_counts.fetch([ remark.id, kind ], 0)
  end

  # @return [String, nil] what the viewer said of it by one click
  def own_voice(remark)
    @own ||= Voice.where(remark_id: all.map(&:id), person: @viewer.person).pluck(:remark_id, :kind).to_h
    @own[remark.id]
  end

  # @return [Person, nil]
  def person(public_id)
    @people ||= Said.people_in(bodies)
    @people[public_id]
  end

  # @return [Page, nil] if the viewer sees it
  def page(public_id)
    @pages ||= Said.pages_in(bodies, @viewer)
    @pages[public_id]
  end

  # @return [Page, nil] that is put into a thread, if the viewer sees it
  def shown_page(remark)
    @shown ||= Page.seen_by(@viewer).where(id: @firsts.filter_map(&:shown_page_id)).includes(:room).index_by(&:id)
    @shown[remark.shown_page_id]
  end

  private

  def replies
    @replies ||= @in_full && @firsts.any? ? all_replies.group_by(&:parent_id) : {}
  end

  def preload
    ActiveRecord::Associations::Preloader.new(records: @firsts.select(&:persisted?), associations: [ :author, :settled_by, :edition, :places, :room, { page: %i[edition room] } ]).call
  end

  # Each knows what it replies to, and with that the page or room.
  def all_replies
    by_id = @firsts.index_by(&:id)
    Remark.where(parent_id: by_id.keys).includes(:author).order(:created_at, :id).each do |reply|
      first = by_id.fetch(reply.parent_id)
      { parent: first, page: first.page, room: first.room }.each { |name, target| reply.association(name).target = target }
    end
  end

  def counts
    @counts ||= @firsts.any? ? Remark.kept.where(parent_id: @firsts.map(&:id)).group(:parent_id).count : {}
  end

  def voice_counts
    @voice_counts ||= all.any? ? Voice.where(remark_id: all.map(&:id)).group(:remark_id, :kind).count : {}
  end

  def all
    @firsts + replies.values.flatten
  end

  def bodies
    all.map(&:body)
  end
end
