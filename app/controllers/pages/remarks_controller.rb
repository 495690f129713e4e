# What is said to a page's text: all of it as a list, or as annotations for others to read, or what stands beside the text.
class Pages::RemarksController < ApplicationController
  include OnPage
  include Talks

  door :seen, only: :index
  door :comment, only: %i[new create]

  def index
    return beside(Remark.of_page(@page, viewer).find_by(public_id: params[:open].to_s)) if request.headers["X-Fragment"]

    @list = RemarkList.new(@page, viewer, show: params[:show])
    respond_to do |format|
      format.html { @pagy, @remarks = pagy(@list.remarks, limit: 50) }
      format.json { render json: Annotations.new(@page, viewer, url: method(:url_for)).as_json, content_type: "application/ld+json" }
    end
  end

  def new
    @blocks = PointedBlocks.of(state.document)
    @remark = Remark.new
  end

  def create
    given = fields(:remark)
    @remark = Remark.note(@page, pointed(given), body: given[:body].to_s, words: (given[:words].to_s if given[:kind] == "proposal"), by: viewer.person)
    return answer(@remark, said: t(".#{@remark.kind}")) if @remark.errors.none?
    return beside(nil, problem: @remark.errors.full_messages.to_sentence, unsaid: @remark) if beside?

    @blocks = PointedBlocks.of(state.document)
    render :new, status: :unprocessable_entity
  end

  private

  # Of the draft for those who see it, where there is nothing published or it is asked for.
  def stage
    return "draft" unless @page.published?

    params.dig(:remark, :stage) == "draft" || params[:stage] == "draft" ? ("draft" if viewer.sight_of(@page) == :draft) || raise(Pundit::NotAuthorizedError) : "edition"
  end

  def state
    stage == "draft" ? @page.draft : @page.edition
  end

  def pointed(given)
    numbers = %i[version start length x y].index_with { |name| Integer(given[name].to_s, 10, exception: false)&.clamp(0, LARGEST_NUMBER) }
    numbers[:x], numbers[:y] = numbers.values_at(:x, :y).map { |number| number&.clamp(0, 100) }
    Remark::OnText::Pointed.new(stage: stage, block: given[:block].to_s, quote: given[:quote].to_s.first(Zuhause::Anchors::LONGEST), **numbers)
  end
end
