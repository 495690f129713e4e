# What somebody says of a page on the way through its room: it is done there and then, and can be taken back.
class Rooms::TourStopsController < ApplicationController
  include OnTour

  before_action :find_page
  door :check, except: :destroy
  door :somebody, only: :destroy

  ELSEWHERE = { "edited" => :edit_page_draft_path, "binned" => :new_page_binning_path, "joined" => :new_page_joining_path }.freeze

  def create
    return redirect_to(public_send(ELSEWHERE.fetch(said), @page), status: :see_other) if ELSEWHERE.key?(said) && stop_here

    made = acting_on(@page, { "correct" => :check?, "outdated" => :outdate?, "aside" => :put_aside? }.fetch(said) { raise ActionController::BadRequest }) { do_it }
    return redirect_to(room_tour_path(@room, page: @page.public_id), status: :see_other, alert: made.errors.full_messages.to_sentence) if made.errors.any?

    @tour.say(@page, said)
    undo room_tour_stop_path(@room, @page.public_id), method: :delete
    redirect_to room_tour_path(@room), status: :see_other, notice: t(".done.#{said}", title: @page.title)
  end

  # As if it had not been said.
  def destroy
    stop = @tour.stops.find_by!(page: @page)
    take_back(stop.said)
    stop.destroy!
    @tour.stop_at(@page)
    redirect_to room_tour_path(@room, page: @page.public_id), status: :see_other
  end

  private

  def find_page
    raise ActiveRecord::RecordNotFound unless @tour

    @page = Page.where(id: @order).find_by!(public_id: params[:id] || word(:page))
  end

  def said
    params[:said].to_s
  end

  # Of what is edited something has been said; what is binned or joined is there no more, if that is gone through with.
  def stop_here
    said == "edited" ? @tour.say(@page, said) : @tour.stop_at(@page)
    true
  end

  def do_it
    given = fields(:stop)
    case said
    when "correct" then Check.say(@page, by: viewer.person, note: given[:words].to_s)
    when "outdated" then outdate(given)
    when "aside" then PutAside.put(@page, by: viewer.person, reason: given[:words].to_s)
    end
  end

  # What is to be read instead and is not found is told, and nothing is marked.
  def outdate(given)
    see = seen_instead(given[:see].to_s) if given[:see].present?
    return OutOfDateMark.new(page: @page).tap { |mark| mark.errors.add(:see, :unknown) } if given[:see].present? && see.nil?

    OutOfDateMark.put(@page, by: viewer.person, words: given[:words].to_s, see: see)
  end

  def seen_instead(typed)
    target = WantedTarget.new(typed, viewer, base_url: request.base_url, from: nil).target
    Page.seen_by(viewer).find_by(public_id: target.value) if target&.kind == :page
  end

  def take_back(said)
    case said
    when "correct" then acting_on(@page, :check?) { @page.checks.newest_first.first&.then { |check| check.take_back(by: viewer.person) if check.newest? && check.person_id == viewer.person.id } }
    when "outdated" then acting_on(@page, :outdate?) { @page.out_of_date_mark&.end(by: viewer.person) }
    when "aside" then acting_on(@page, :put_aside?) { @page.put_aside&.end(by: viewer.person) }
    end
  end
end
