# Joining a page to another: chosen first, then looked at side by side, then done.
class Pages::JoiningsController < ApplicationController
  include OnPage, LooksFirst

  door :join

  def new
    wanted = WantedTarget.new(params[:into].to_s, viewer, base_url: request.base_url, from: Zuhause::Links::Target.new(:page, @page.public_id)) if params[:into].present?
    @into = wanted&.target && Page.seen_by(viewer).find_by(public_id: wanted.target.value)
    @problem, @meant = wanted&.problem || (:unknown if wanted && @into.nil?), wanted&.choices || []
    return unless @into

    @problem = problem_of(@into)
    @joining = PageJoining.new(@page, @into)
  end

  def create
    @into = Page.seen_by(viewer).find_by!(public_id: params[:into])
    @problem = problem_of(@into)
    return render(:new, status: :unprocessable_entity) if @problem

    @joining = PageJoining.new(@page, @into, place: place, once: params[:once] == "1")
    return unless looked_at?(@joining.exposure(viewer), { act: :joined, place: @page, to: @into }, back: new_page_joining_path(@page, into: "page:#{@into.public_id}"))

    join
  rescue Zuhause::Restructuring::Impossible
    refuse(:heading)
  rescue Zuhause::Document::Invalid
    refuse(:too_much)
  end

  private

  def join
    acting_on(@into, :edit?) { acting_on(@page, :join?) { @work = @joining.join(by: viewer.person) } }
    redirect_to @into.reload, status: :see_other, notice: t(".done", title: @page.title)
  rescue PageJoining::Waiting
    refuse(:waiting)
  rescue Page::Reviewed::Unreviewed
    refuse(:reviewed)
  end

  def refuse(problem)
    @problem = problem
    render :new, status: :unprocessable_entity
  end

  # @return [Symbol, nil] why the page cannot come into that one
  def problem_of(into)
    return :may_not unless policy(into).edit?

    PageJoining.new(@page, into).check
    nil
  rescue PageJoining::Waiting
    :waiting
  rescue PageJoining::Circle
    :circle
  end

  def place
    %w[after before].include?(params[:place]) ? params[:place].to_sym : params[:place].to_s
  end
end
