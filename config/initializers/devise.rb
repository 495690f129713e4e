Devise.setup do |config|
  require "devise/orm/active_record"

  config.parent_controller = "ApplicationController"
  config.case_insensitive_keys = [ :email ]
  config.strip_whitespace_keys = [ :email ]
  config.skip_session_storage = [ :http_auth ]
  config.stretches = Rails.env.test? ? 1 : 12
  config.paranoid = true
  config.password_length = 10..128
  config.email_regexp = /\A[^@\s]+@[^@\s]+\z/
  config.remember_for = 4.weeks
  config.extend_remember_period = true
  config.expire_all_remember_me_on_sign_out = true
  config.rememberable_options = { same_site: :lax }
  config.sign_out_via = :delete
  config.responder.error_status = :unprocessable_entity
  config.responder.redirect_status = :see_other
end
