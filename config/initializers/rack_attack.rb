# Guessing passwords and hammering the search are slowed down; ordinary use never comes near. Who is signed in is counted by
# person, so that an office behind one address does not slow itself down; others by network address.
class Rack::Attack
  SIGN_INS_A_MINUTE = 20
  FINDINGS_A_MINUTE = 240

  def self.network_address(request)
    ActionDispatch::Request.new(request.env).remote_ip
  end

  def self.who(request)
    person = request.env["warden"]&.user(:person)
    person ? "person #{person.id}" : network_address(request)
  end

  throttle("sign-ins by address", limit: SIGN_INS_A_MINUTE, period: 1.minute) do |request|
    network_address(request) if (request.post? && request.path.start_with?("/sign-in", "/password", "/join")) || (!request.get? && request.path.start_with?("/start")) || request.path.start_with?("/come/", "/ask-to-come/", "/stop/")
  end

  throttle("findings", limit: FINDINGS_A_MINUTE, period: 1.minute) do |request|
    who(request) if request.path.start_with?("/find", "/suggestions", "/page_choices")
  end

  self.throttled_responder = lambda do |request|
    wait = request.env.fetch("rack.attack.match_data").then { |match| match[:period] - (match[:epoch_time] % match[:period]) }
    [ 429, { "content-type" => "text/plain; charset=utf-8", "retry-after" => wait.to_s, "content-security-policy" => "default-src 'none'" }, [ I18n.t("errors.throttled", count: wait) ] ]
  end
end

# Tests come from one address; the test of this turns it on for itself.
Rack::Attack.enabled = !Rails.env.test?
