# The rooms and pages in which a viewer may put pages.
class Places
  def initialize(viewer)
    @viewer = viewer
  end

  def empty?
    rooms.empty? && Page.writable_by(@viewer).none?
  end

  # @param public_id [String, nil] of a room or page
  # @return [Room, Page, nil] nil for what the viewer does not see
  def find(public_id)
    Room.seen_by(@viewer).find_by(public_id: public_id) || Page.seen_by(@viewer).find_by(public_id: public_id)
  end

  # @param except [Page, nil] a page that is to be moved: neither it nor what is below it is a place for it
  # @return [Array<Array(String, Array<Array(String, String)>)>] for each room, labels and public ids of its places
  def options(except: nil)
    Room.seen_by(@viewer).in_order.filter_map do |room|
      options = rooms.include?(room) ? [ [ room.name, room.public_id ] ] : []
      collect(Plan.new(@viewer, room: room).entries, 1, except, options)
      [ room.name, options ] if options.any?
    end
  end

  private

  def rooms
    @rooms ||= Room.writable_by(@viewer).to_a
  end

  def collect(entries, depth, except, options)
    entries.each do |entry|
      next if entry.page.id == except&.id

      writable = @viewer.list_ids(:write).include?(entry.page.access_list_id)
      options << [ "#{"\u2003" * depth}#{entry.page.title}", entry.page.public_id ] if writable
      collect(entry.children, depth + 1, except, options)
    end
  end
end
