# Requests that cannot be read are told so before anything else looks at them, and bodies that are too large before they are
# parsed, whoever sent them.
class WellFormed
  class TooLarge < StandardError; end

  # Bytes of a body: with files, without, and from whoever is not signed in, who has a form of few fields to send.
  FILES = 64 * 1024 * 1024
  OTHER = 20 * 1024 * 1024
  SIGNED_OUT = 1024 * 1024

  # Where the answer can be given: behind what knows who asks.
  class Refusal
    def initialize(app)
      @app = app
    end

    def call(env)
      raise env[PROBLEM] if env[PROBLEM]

      @app.call(env)
    end
  end

  PROBLEM = "zuhause.problem".freeze

  # @param cookie [String] the name of the cookie that a sign-in lies in
  def initialize(app, cookie)
    @app = app
    @cookie = cookie
  end

  # What cannot be read is left behind, so that nothing on the way to the answer stumbles over it.
  def call(env)
    request = ActionDispatch::Request.new(env)
    raise TooLarge if request.content_length.to_i > most(request)

    read(request)
    @app.call(env)
  rescue TooLarge, ActionController::BadRequest => e
    raise if env[PROBLEM]

    @app.call(WellFormed.bare(env).merge("PATH_INFO" => "/", "QUERY_STRING" => "", PROBLEM => e))
  end

  # @return [Hash] an environment without what was sent
  def self.bare(env)
    kept = env.reject { |name, _value| name.start_with?("rack.request.", "action_dispatch.request.") || %w[CONTENT_TYPE CONTENT_LENGTH].include?(name) }
    kept.merge("rack.input" => StringIO.new)
  end

  private

  def most(request)
    return SIGNED_OUT if request.content_length.to_i > SIGNED_OUT && !signed_in?(request)

    request.media_type == "multipart/form-data" ? FILES : OTHER
  end

  def signed_in?(request)
    request.cookie_jar.encrypted[@cookie].to_h.key?("warden.user.person.key")
  end

  def read(request)
    sound = [ request.path_info, request.query_string, CGI.unescape(request.query_string) ].all? { |text| text.dup.force_encoding(Encoding::UTF_8).valid_encoding? }
    raise ActionController::BadRequest, "not UTF-8" unless sound && [ request.GET, request.POST ].all? { |given| sound?(given) }
  rescue Rack::Multipart::MultipartPartLimitError, Rack::Multipart::MultipartTotalPartLimitError
    raise TooLarge
  rescue Rack::QueryParser::InvalidParameterError, Rack::QueryParser::ParameterTypeError, Rack::QueryParser::ParamsTooDeepError, Rack::Multipart::Error, ActionDispatch::Http::Parameters::ParseError, EOFError, ArgumentError, EncodingError => e
    raise ActionController::BadRequest, e.class.name
  end

  # Nested only as deep as Rack reads, and JSON's parser.
  def sound?(given)
    case given
    when Hash then given.all? { |name, value| sound?(name) && sound?(value) }
    when Array then given.all? { |value| sound?(value) }
    when String then given.encoding != Encoding::UTF_8 || given.valid_encoding?
    when Symbol then given.to_s.valid_encoding?
    when ActionDispatch::Http::UploadedFile then given.original_filename.to_s.valid_encoding? && given.original_filename.to_s.exclude?("\u0000")
    else true
    end
  end
end
