# Choosing a new password by a mail. The answer is the same whether there is such a person or not.
class PasswordsController < Devise::PasswordsController
  include SecretAddress

  door :anybody
  prepend_before_action -> { params[:person] && fields(:person) }, only: %i[create update]

  def update
    super { |person| HouseMailer.password_changed(person).deliver_now if person.errors.empty? }
  end
end
