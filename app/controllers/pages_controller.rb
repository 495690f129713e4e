class PagesController < ApplicationController
  door :seen, only: :show, signed_out: true
  door :somebody, except: :show

  def show
    @page = Page.seen_by(viewer).eager_load(:room, :edition, :template, :check_date, :out_of_date_mark).at_address(params[:id])
    return redirect_to(@page, status: :moved_permanently) if params[:id] != @page.to_param

    @room = @page.room
    @state = @page.edition || @page.draft
    @shown = ShownDocument.new(@state, page: @page, viewer: viewer)
    @facts = PageFacts.new(@page, viewer)
    @linked_from = LinkedFrom.new(@page, viewer)
    @moved = Forwarding.parts_of(@page, viewer).to_h { |block, (page, to)| [ "b-#{block}", page_path(page, anchor: ("b-#{to}" if to)) ] }
    @aside = PutAside.of(@page, viewer)
    talk if viewer.hears?
    @pinned = Pin.of(viewer).include?(@page.id)
    @since = SinceSeen.of(@page, viewer)
    Reading.record(@page, by: viewer.person)
    opened_from_finding
  rescue ActiveRecord::RecordNotFound
    # Joined to another page, which its address leads to.
    to = Forwarding.page_for(params[:id].to_s[/[a-z0-9]{10}\z/], viewer) or raise
    redirect_to to, status: :moved_permanently
  end

  def new
    find_above
    return render(:first_room) if first_room_first?

    @templates = TemplateChoice.new(viewer, room: @above&.room)
    @page = Page.new(title: word(:title))
  end

  def create
    find_above
    @above = @own if params[:above].blank?
    raise Pundit::NotAuthorizedError unless @above && policy(@above).add_page?

    @templates = TemplateChoice.new(viewer, room: @above.room)
    from = @templates.find(word(:template))
    acting_on(@above, :add_page?) do
      @page = Page.begin(title: fields(:page)[:title].to_s, above: @above, by: viewer.person, from: from)
      raise ActiveRecord::Rollback unless @page.persisted? && described?
    end
    return redirect_to(edit_page_draft_path(@page), status: :see_other) if @page.persisted? && @page.errors.none?

    render :new, status: :unprocessable_entity
  end

  private

  def opened_from_finding
    from = URI(request.referer.to_s)
    return unless from.host == request.host && from.path == find_path

    text = Rack::Utils.parse_query(from.query)["q"]
    Apart.do { Sought.opened(text, viewer) }
  rescue URI::InvalidURIError, Rack::QueryParser::InvalidParameterError
    nil
  end

  # What is said to it: beside its text, and asked of it as a whole.
  def talk
    said = SaidHere.new(@page, viewer)
    @notes = NotesBeside.new(@page, viewer, stage: @page.published? ? "edition" : "draft", shown: @shown.shown_live, said: said)
    @asked = AskedHere.new(@page, viewer, said: said)
  end

  # Where nothing is said, a page begins in the room of one's own.
  def find_above
    @own = Room.own_of(viewer.person)
    @places = Places.new(viewer)
    @above = @places.find(params[:above])
    raise Pundit::NotAuthorizedError if @places.empty?
  end

  # Whoever opened the house and has no room for others yet is offered the first of those before.
  def first_room_first?
    params[:above].blank? && viewer.person.office_owner? && Room.shared.none?
  end

  # Its language and its tags, where the form gives any.
  def described?
    @page.update(language: fields(:page)[:language].to_s) && (params[:tags].blank? || @page.tag_with(Tag.names_in(params[:tags]), by: viewer.person))
  end
end
