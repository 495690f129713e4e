class SessionsController < Devise::SessionsController
  door :anybody
  prepend_before_action :count_guess, only: :create # before anything asks who is signed in, which would try the password
  prepend_before_action :judge_shapes, -> { params[:person] && fields(:person) }, only: :create

  def create
    super { guesses.forget }
  end

  def destroy
    super { flash.clear && session.delete(:look) }
  end

  private

  def guesses
    @guesses ||= Guesses.new(request.remote_ip, params.dig(:person, :email).to_s)
  end

  def count_guess
    refuse unless guesses.allowed?
  end

  # In the words, the status and the time of a wrong password.
  def refuse
    Person.new(password: params.dig(:person, :password).to_s)
    self.resource = Person.new(email: params.dig(:person, :email).to_s)
    flash.now[:alert] = t("devise.failure.invalid", authentication_keys: Person.human_attribute_name(:email))
    render :new, status: :unprocessable_entity
  end

  def after_sign_out_path_for(_scope)
    new_person_session_path
  end
end
