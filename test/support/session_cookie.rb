# The cookie that signing in by the form would give.
module SessionCookie
  NAME = Rails.application.config.session_options.fetch(:key)

  # @param person [Person]
  # @return [String]
  def self.of(person)
    jar = ActionDispatch::Request.new(Rails.application.env_config.merge("HTTP_HOST" => "127.0.0.1", "rack.input" => StringIO.new)).cookie_jar
    session = { "session_id" => SecureRandom.hex(16), "warden.user.person.key" => Person.serialize_into_session(person), "warden.user.person.session" => { "sign_in" => SignIn.begin(person) } }
    jar.encrypted[NAME] = { value: session }
    Rack::Utils.escape(jar[NAME])
  end
end
