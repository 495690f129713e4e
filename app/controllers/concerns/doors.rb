# The doors of a controller: of which act each action is one. What is done there has been found among what the viewer sees,
# and is asked of the policy before anything else happens; an action behind no door is an error.
#
#   door :publish                       the page, place or room that has been found
#   door :people, of: House
#   door :seen                          what is found among what is seen may be looked at
#   door :somebody, only: :index        whoever is signed in; shows and changes only what is theirs or what they see
#   door :anybody                       signed in or not
module Doors
  extend ActiveSupport::Concern

  # Doors at which the table of acts is not asked.
  OPEN = %i[anybody somebody seen].freeze

  Door = Struct.new(:act, :of, :only, :except, keyword_init: true) do
    def of_action?(name)
      only ? Array(only).map(&:to_s).include?(name) : Array(except).map(&:to_s).exclude?(name)
    end
  end

  included do
    class_attribute :doors, instance_accessor: false, default: [].freeze
    after_action :verify_authorized
  end

  class_methods do
    # @param act [Symbol] a key of Zuhause::Access::Acts::TABLE, or one of {OPEN}
    # @param of [Class, nil] House or Room; nil for what the controller has found
    # @param signed_out [Boolean] whether one may knock without being signed in
    def door(act, of: nil, only: nil, except: nil, signed_out: act == :anybody)
      actions = { only: only, except: except }.compact
      self.doors += [ Door.new(act: act, of: of, only: only, except: except) ].freeze
      skip_before_action(:sign_in_first, **actions) if signed_out
      before_action(**actions) { OPEN.include?(act) ? skip_authorization : authorize(of || knocked_at, ApplicationPolicy.question(of || knocked_at, act)) }
    end

    # @param action [String]
    # @return [Array<Symbol>] the acts that it is
    def acts_of(action)
      doors.select { |door| door.of_action?(action) }.map(&:act)
    end
  end

  private

  def knocked_at
    @place || @page || @room
  end
end
