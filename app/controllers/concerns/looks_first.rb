# Look first, then do: what opens or closes something is said, to how many and for how much, before it is done. The form
# that says it carries along all that was sent, so that it is done as it was asked.
module LooksFirst
  extend ActiveSupport::Concern

  NOT_CARRIED = %w[authenticity_token _method confirmed said button commit].freeze

  included { helper_method :carried }

  private

  # @param exposure [Zuhause::Access::Exposure, nil] of what is to be done; nil for what touches nobody's access
  # @param doing [Hash] what the sentence names, see ExposureHelper#doing_words
  # @param back [String] where one goes who thinks better of it
  # @param besides [Array<String>] further sentences of what it changes
  # @return [Boolean] whether it can be done: there is nothing to look at, or it has been looked at; else it is shown now
  def looked_at?(exposure, doing, back:, besides: [])
    return true if exposure.nil? || (exposure.none? && besides.empty?) || params[:confirmed]

    @exposure, @doing, @back, @besides = exposure, doing, back, besides
    respond_to do |format|
      format.html { render "accesses/confirm" }
      # A program is sent to where a person can look at it first.
      format.json { render json: { confirm: look_path }, status: :precondition_required }
    end
    false
  end

  def look_path
    @back
  end

  # @return [Array<Array(String, String)>] names and values of all fields that were sent
  def carried(given = request.request_parameters.merge(request.query_parameters).except(*NOT_CARRIED), scope = nil)
    given.flat_map do |name, value|
      name = "#{scope}[#{name}]" if scope
      case value
      when Hash then carried(value, name)
      when Array then value.grep(String).map { |one| [ "#{name}[]", one ] }
      when String, Integer, true, false then [ [ name, value.to_s ] ]
      else []
      end
    end
  end
end
