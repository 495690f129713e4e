# One page that comes into another: its text, files, subpages, tags, pins and what was said to it go there, what pointed to it points there, and it
# waits in the bin, from where its address leads on.
class PageJoining
  # The other page, or this one, holds changes that are not published: they would be published along, or lost.
  class Waiting < StandardError; end
  # A page cannot come into itself, nor into what stands below it.
  class Circle < StandardError; end

  # @param from [Page] kept by who does it
  # @param into [Page] written by who does it
  # @param place [Symbol, String] see Zuhause::Restructuring.join
  def initialize(from, into, place: :after, once: true)
    @from, @into, @place, @once = from, into, place, once
  end

  # @raise [Waiting, Circle]
  def check
    raise Circle if @into.path_ids.include?(@from.id)
    raise Waiting if [ @from, @into ].any? { |page| page.edition.nil? || page.unpublished_changes? }
  end

  # What it opens and closes: its text is read by those who read the other page from then on, and the pages below it stand
  # there.
  #
  # @param viewer [Viewer] who does it
  # @return [Zuhause::Access::Exposure]
  def exposure(viewer)
    before, after = AccessList.lists([ @from.access_list_id, @into.access_list_id ]).values_at(@from.access_list_id, @into.access_list_id)
    text = Zuhause::Access::Exposure::Touched.new(before: before, after: after, published: true)
    moving = below(viewer)
    AccessTrial.new(Page.kept.where(id: moving.flat_map(&:subtree_ids)), moved: moving.to_h { |page| [ page.id, after ] }).exposure(also: [ text ])
  end

  # @return [Zuhause::Restructuring::Joined]
  def joined
    @joined ||= Zuhause::Restructuring.join(@into.edition.document, @from.edition.document, title: @from.title, place: @place, once: @once)
  end

  # @return [Work] that makes what pointed to it point there
  # @raise [Waiting, Circle, Zuhause::Restructuring::Impossible, Zuhause::Document::Invalid]
  def join(by:, at: Time.current)
    check
    note = I18n.t("editions.joined_note", title: @from.title)
    Page.transaction do
      saved = @into.drawing_from(@from) { @into.save_draft(@into.draft.state.with(document: joined.document), base_version: @into.draft.version, by: by, at: at) }
      raise ActiveRecord::RecordInvalid, saved unless saved.persisted?

      @into.publish(version: saved.version, by: by, note: note, at: at)
      RemarkPlace.move(Remark.where(page: @from, parent: nil), to: @into.reload, blocks: joined.ids)
      RemarkPlace.carry_all(@into)
      take_over(by: by, at: at)
      @from.reload.put_in_bin(by: by, at: at)
      Forwarding.set(@from, @into, blocks: joined.ids, whole: lead, at: at)
      Happening.write(:taken_in, @into, by: by, at: at)
    end
    Mending.start(from: target(@from), to: target(@into, lead), by: by, page: @into, blocks: joined.ids)
  end

  private

  # Pages that go along: whoever keeps what they stand in may move them, or they have lists of their own, which stay as they
  # are. What one may not write stays, as it does when a page goes into the bin.
  def below(viewer)
    @from.children.merge(Page.writable_by(viewer)).order(:position).to_a
  end

  # The heading over what has come, which the page as such leads to.
  def lead
    block = joined.document["content"].find { |node| node["type"] == "heading" && Zuhause::Document::Title.normalise(Zuhause::Document::Text.of(node)) == Zuhause::Document::Title.normalise(@from.title) }
    block&.dig("attrs", "id")
  end

  def target(page, block = nil)
    Zuhause::Links::Target.new(:page, page.public_id, block)
  end

  def take_over(by:, at:)
    below(Viewer.new(by)).each { |page| page.move(to: @into, by: by, exposure: page.exposure_of_moving(@into), at: at) }
    Signpost.where(parent: @from).find_each { |signpost| signpost.update!(parent: @into, room: @into.room, before: nil) }
    @into.reload.tag_with((@into.tags.map(&:name) | @from.tags.map(&:name)).first(Tag::MOST), by: by, at: at)
    Promise.where(page: @from).find_each { |promise| Promise.exists?(title: promise.title, page: @into) ? promise.destroy! : promise.update!(page: @into) }
    pins = Pin.where(page: @from)
    pins.where(person_id: Pin.where(page: @into).select(:person_id)).delete_all
    pins.update_all(page_id: @into.id)
  end
end
