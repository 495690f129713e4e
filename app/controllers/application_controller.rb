class ApplicationController < ActionController::Base
  include Shapes, Pundit::Authorization, Pagy::Backend, Doors, LooksAs

  around_action :in_own_terms
  before_action :set_up_first
  after_action :leave_session
  before_action :sign_in_first

  rescue_from ActiveRecord::RecordNotFound, Pagy::OverflowError, with: :not_found
  rescue_from Pundit::NotAuthorizedError, Review::Refused, with: :forbidden
  rescue_from ActionView::MissingTemplate, ActionController::UnknownFormat, with: :not_acceptable

  rescue_from(ActiveRecord::StatementInvalid) { |error| error.cause.is_a?(SQLite3::BusyException) ? busy : raise(error) }

  helper_method :viewer, :house

  LONGEST_ADDRESS = 1000 # bytes
  BUSY_SECONDS = 5 # after which it is worth trying again
  private_constant :LONGEST_ADDRESS, :BUSY_SECONDS

  private

  def viewer
    @viewer ||= Viewer.new(current_person, house).then { |own| (looking_as(own) if own.signed_in?) || own }
  end
  alias pundit_user viewer

  def house
    @house ||= House.current
  end

  LOCAL_TIME = /\A\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d)?\z/
  private_constant :LOCAL_TIME

  # @param given [String] as a field for a day and a time sends it
  # @return [Time, nil] that time where whoever looks is
  def own_time(given)
    Time.zone.parse(given) if given.to_s.match?(LOCAL_TIME)
  rescue ArgumentError
    nil
  end

  # In the language and the time zone of whoever looks.
  def in_own_terms(&action)
    person = current_person
    I18n.with_locale(person&.language || I18n.default_locale) { Time.use_zone(person&.time_zone || "UTC", &action) }
  end

  # What is fetched while a page is open and changes nothing of the session does not send it again: its answer may come
  # after that of an act, and would put the session from before it back, without the word of what was done.
  def leave_session
    return unless request.format.json?

    kept = request.cookie_jar.signed_or_encrypted[Rails.application.config.session_options[:key]]
    request.session_options[:skip] = true if kept && kept == session.to_hash && request.flash_hash.nil?
  end

  def set_up_first
    redirect_to new_setup_path unless house
  end

  # After all sessions were ended, or the password changed, this one goes on as a new one.
  def go_on_signed_in
    bypass_sign_in(viewer.person)
    warden.session(:person)["sign_in"] = SignIn.begin(viewer.person)
  end

  # Does something within a transaction in which the record is loaded and judged once more: others may have moved it, closed
  # it or put it in the bin since it was found.
  #
  # @param asked [Symbol, #call] a question of its policy, or what is asked of the policy
  def acting_on(record, asked)
    record.transaction do
      policy = Pundit.policy!(Viewer.new(viewer.person&.reload, House.find(house.id)), record.reload)
      raise Pundit::NotAuthorizedError unless asked.respond_to?(:call) ? asked.call(policy) : policy.public_send(asked)

      yield
    end
  end

  # Offers to take an act back, with the word that it is done.
  def undo(path, method:, **with)
    flash[:undo] = { "path" => path, "method" => method.to_s, "with" => with.stringify_keys }
  end

  # Doors that need somebody signed in answer everybody else as if there were nothing.
  def sign_in_first
    not_found unless viewer.signed_in? || viewer.looking?
  end

  # The one answer for what is not there and what the viewer may not see. Whoever is not signed in may sign in and come
  # back; a program is told so, whatever it asked for.
  def not_found
    respond_to do |format|
      format.json { viewer.signed_in? ? render(json: { error: t("errors.not_found.title") }, status: :not_found) : unauthorized_json }
      format.any { not_found_page }
    end
  end

  def not_found_page
    return render("errors/not_found", formats: :html, status: :not_found) if viewer.signed_in?

    come_back_later if request.get? && request.format.html?
    @person = Person.new
    render "errors/sign_in", formats: :html, status: :not_found
  end

  # A cookie holds no more than this: of a long address its beginning is come back to, if that is one.
  def come_back_later
    address = [ request.original_fullpath, request.path ].find { |each| each.bytesize <= LONGEST_ADDRESS }
    store_location_for(:person, address) if address
  end

  # Others wrote for longer than one waits.
  def busy
    response.headers["Retry-After"] = BUSY_SECONDS.to_s
    respond_to do |format|
      format.json { render json: { error: t("errors.busy.title") }, status: :service_unavailable }
      format.any { render "errors/busy", formats: :html, status: :service_unavailable }
    end
  end

  def unauthorized_json
    render json: { error: t("errors.signed_out") }, status: :unauthorized
  end

  # Asked for in a format that it does not come in.
  def not_acceptable
    head :not_acceptable
  end

  def forbidden
    respond_to do |format|
      format.json { render json: { error: t("errors.forbidden.title") }, status: :forbidden }
      format.any { render "errors/forbidden", formats: :html, status: :forbidden }
    end
  end
end
