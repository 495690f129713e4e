# What is sent has the shape that is asked for: a word where a word is expected, fields where a form is, lists where several can
# be chosen. Anything else was not sent by a screen of ours and is refused before anybody works with it.
module Shapes
  extend ActiveSupport::Concern

  FIELDS = %w[absence check mark stop answer room_pattern house signpost setup remark review rule retraction put_aside term clash join_request news_setting].freeze
  LISTS = %w[rows holders files paths pages people open back emails names levels].freeze
  ANY = %w[document base].freeze # judged by the core
  EITHER = %w[page person group room source tag template].freeze # fields of one, or what names one
  LARGEST_NUMBER = 1_000_000

  included do
    wrap_parameters false
    prepend_before_action :judge_shapes
    rescue_from(ActiveModel::RangeError) { raise ActionController::BadRequest, "a number larger than any" }
  end

  private

  # @raise [ActionController::BadRequest]
  def judge_shapes
    [ request.query_parameters, request.request_parameters ].each do |given|
      given.each { |name, value| raise ActionController::BadRequest, "shape of #{name}" unless shaped?(name.to_s, value) }
    end
  end

  def shaped?(name, value)
    return true if ANY.include?(name) || name == "_json"
    return value.is_a?(Hash) if FIELDS.include?(name)
    return value.is_a?(Hash) || word?(value) if EITHER.include?(name)

    LISTS.include?(name) ? Array.wrap(value).all? { |each| word?(each) } : word?(value)
  end

  def word?(value)
    !value.is_a?(Hash) && !value.is_a?(Array) && !(value.is_a?(String) && value.include?("\u0000"))
  end

  # @return [ActionController::Parameters] the fields of a form
  # @raise [ActionController::BadRequest] if there are none
  def fields(name)
    params.require(name).tap { |given| raise ActionController::BadRequest, "shape of #{name}" unless given.is_a?(ActionController::Parameters) }
  end

  # @return [String] what names one
  def word(name)
    word?(params[name]) && !params[name].is_a?(ActionController::Parameters) ? params[name].to_s : raise(ActionController::BadRequest, "shape of #{name}")
  end

  # The page that is asked for of a list that is not one of rows.
  #
  # @param count [Integer] of all in it
  # @return [Pagy]
  def paged(count, limit: 50)
    Pagy.new(count: count, page: pagy_get_page({}), limit: limit)
  end

  def pagy_get_page(vars, **)
    params[vars[:page_param] || Pagy::DEFAULT[:page_param]].to_s.to_i.clamp(1, LARGEST_NUMBER)
  end
end
