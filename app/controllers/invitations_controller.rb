# Asking people in: who they are is written or pasted, then looked at with what it opens, then sent.
class InvitationsController < ApplicationController
  include LastDays

  door :somebody
  before_action :find_where, only: %i[new create]

  def index
    raise Pundit::NotAuthorizedError unless viewer.active_member?

    @pagy, @invitations = pagy(Invitation.looked_after_by(viewer).newest_first.includes(:room, :page, :group, :inviter, :person), limit: 50)
    @waiting = viewer.administrator? ? JoinRequest.waiting.limit(50).to_a : []
  end

  def new; end

  def create
    return refuse(:role, t(".role_missing")) unless @inviting.roles.include?(@role)
    return refuse(:ends_on, t("access_grants.wrong_day")) if @ends_on == :wrong
    return refuse(:people, t(".no_address", lines: @read.problems.first(5).to_sentence)) if @read.problems.any?
    return refuse(:people, t(".nobody")) if @asked.empty?
    return refuse(:people, t(".too_many", count: Invitation::MOST)) if @asked.size > Invitation::MOST

    @exposure = @inviting.exposure(@asked, ends_on: @ends_on)
    return render(:look) unless params[:looked] == digest

    here, written = @inviting.invite(@asked, role: @role, ends_on: @ends_on, words: @words)
    redirect_to invitations_or_place, status: :see_other, notice: [ (t(".let_in", count: here) if here.positive?), (t(".written", count: written) if written.positive?) ].compact.join(" ")
  rescue Placed::NoKeeper
    refuse(:people, t("access_grants.no_keeper"))
  end

  def destroy
    invitation = Invitation.looked_after_by(viewer).find_by!(public_id: params[:id])
    raise ActiveRecord::RecordNotFound unless invitation.withdraw(by: viewer.person)

    redirect_to invitations_path, status: :see_other, notice: t(".done", email: invitation.email)
  end

  private

  def find_where
    @place = if params[:page].present? then Page.seen_by(viewer).find_by!(public_id: word(:page))
    elsif params[:room].present? then Room.seen_by(viewer).find_by!(public_id: word(:room))
    end
    @group = Group.find_by!(public_id: word(:group)) if params[:group].present? && policy(House).groups?
    @inviting = Inviting.new(viewer, place: @place, group: @group)
    raise Pundit::NotAuthorizedError if @inviting.roles.empty? || (params[:group].present? && @group.nil?)

    read_form
  end

  def read_form
    @role = params[:role].to_s.presence&.to_sym || @inviting.roles.first
    @level = params[:level].to_s.to_sym.then { |level| Viewer::LEVELS.key?(level) ? level : :read }
    @ends_on = last_day if @place
    @words = params[:words].to_s.strip.slice(0, Invitation::LONGEST_WORDS)
    @read = Zuhause::Inviting::MailAddresses.new(params[:who])
    read_rows
  end

  # What was looked at comes back row by row, with a level each; at first it is what was written.
  def read_rows
    emails, names, levels = %i[emails names levels].map { |name| Array(params[name]).map(&:to_s) }
    @read = Zuhause::Inviting::MailAddresses.new(emails.zip(names).map { |email, name| "#{name.to_s.tr("\n<>", " ")} <#{email.strip}>" unless email.strip.empty? }.compact.join("\n")) if emails.any?
    chosen = emails.map { |email| email.strip.downcase }.zip(levels).to_h.transform_values { |level| level.to_s.to_sym }.select { |_email, level| Viewer::LEVELS.key?(level) }
    @asked = @inviting.asked(@read.entries, Hash.new { |_levels, email| chosen[email] || @level })
  end

  # Of all that was shown: what is sent is what was looked at.
  def digest
    Digest::SHA256.hexdigest([ @role, @ends_on, @words, *@asked.map { |one| [ one.entry.email, one.entry.name, one.level, one.person&.id ] } ].inspect)
  end
  helper_method :digest

  def refuse(field, message)
    @problem = { field => message }
    render :new, status: :unprocessable_entity
  end

  def where
    { room: (@place.public_id if @place.is_a?(Room)), page: (@place.public_id if @place.is_a?(Page)), group: @group&.public_id }.compact
  end
  helper_method :where

  def invitations_or_place
    @place ? polymorphic_path([ @place, :access ]) : invitations_path
  end
end
