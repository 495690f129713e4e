# Guessing passwords and hammering the search are slowed down; ordinary use never comes near.
class Rack::Attack
  SIGN_INS_A_MINUTE = 20
  FINDINGS_A_MINUTE = 240

  throttle("sign-ins by address", limit: SIGN_INS_A_MINUTE, period: 1.minute) do |request|
    request.ip if request.post? && request.path.start_with?("/sign-in", "/password")
  end

  throttle("findings by address", limit: FINDINGS_A_MINUTE, period: 1.minute) do |request|
    request.ip if request.path.start_with?("/find", "/suggestions", "/page_choices")
  end

  self.throttled_responder = lambda do |request|
    wait = request.env.fetch("rack.attack.match_data").then { |match| match[:period] - (match[:epoch_time] % match[:period]) }
    [ 429, { "content-type" => "text/plain; charset=utf-8", "retry-after" => wait.to_s }, [ I18n.t("errors.throttled", count: wait) ] ]
  end
end

# Tests come from one address; the test of this turns it on for itself.
Rack::Attack.enabled = !Rails.env.test?
