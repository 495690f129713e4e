# The thread of a page or a room.
module InThread
  extend ActiveSupport::Concern
  include Talks

  included { before_action :find_thread }

  private

  def find_thread
    @place = if params[:room_id] then Room.giving(viewer, :read).find_by!(public_id: params[:room_id])
    else Page.seen_by(viewer).at_address(params[:page_id])
    end
    @page = @place if @place.is_a?(Page)
    @room = @place.room
  end

  def show_thread(line: Remark.new(kind: "line"), status: :ok)
    @line = line
    @thread = TalkThread.new(@place, viewer, words: params[:q])
    @pagy = paged(@thread.count, limit: TalkThread::SHOWN)
    @told = @thread.told(offset: @pagy.offset)
    render "threads/show", status: status
  end

  def thread_path
    @page ? page_thread_path(@page) : room_thread_path(@room)
  end

  # A line of words, or a page that is put into it.
  def add_line
    given = fields(:remark)
    shown = Page.seen_by(viewer).find_by(public_id: given[:page].to_s[/[a-z0-9]{10}\z/]) if given[:page].present?
    line = Remark.say(@place, kind: "line", body: given[:body].to_s, shown_page: shown, by: viewer.person, draft: @page.present? && !@page.published?)
    return redirect_to("#{thread_path}#remark-#{line.public_id}", status: :see_other) if line.persisted?

    show_thread(line: line, status: :unprocessable_entity)
  end
end
