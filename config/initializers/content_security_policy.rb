Rails.application.configure do
  config.content_security_policy do |policy|
    policy.default_src :none
    policy.script_src :self
    policy.style_src :self
    policy.font_src :self
    policy.img_src :self
    policy.media_src :self
    policy.connect_src :self
    policy.manifest_src :self
    policy.form_action :self
    policy.base_uri :none
    policy.frame_ancestors :none
  end
  # The source field's editor brings styles of its own.
  config.content_security_policy_nonce_generator = ->(_request) { SecureRandom.base64(16) }
  config.content_security_policy_nonce_directives = %w[style-src]
end

Rails.application.config.action_dispatch.default_headers.merge!(
  "X-Frame-Options" => "DENY",
  "Referrer-Policy" => "same-origin",
  "Permissions-Policy" => "camera=(), microphone=(), geolocation=()"
)
