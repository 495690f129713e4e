class SessionsController < Devise::SessionsController
  skip_before_action :sign_in_first

  def destroy
    super { flash.clear }
  end

  private

  def after_sign_out_path_for(_scope)
    new_person_session_path
  end
end
