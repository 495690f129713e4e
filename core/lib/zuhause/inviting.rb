require "zuhause/inviting/account_table"
require "zuhause/inviting/mail_addresses"

module Zuhause
  # How people come into a house.
  module Inviting
    # What keepers may invite to what they keep, as a house sets it, in its order: each includes those before it.
    BY_KEEPERS = %i[nobody guests members].freeze

    module_function

    # Office is not access: whoever invites to a place keeps it. Whom a house takes in at all is said by administrators, and by
    # keepers as far as it is set.
    #
    # @param viewer [Access::Viewer] who invites
    # @param role [Symbol] :guest or :member
    # @param level [Symbol, nil] the viewer's on the place; nil where it is to the house alone
    # @param by_keepers [Symbol] one of {BY_KEEPERS}
    # @return [Boolean]
    def may?(viewer, role, level:, by_keepers:)
      return false unless viewer.active_member?
      return viewer.administrator? if level.nil?

      level == :keep && (viewer.administrator? || BY_KEEPERS.index(by_keepers) >= (role == :guest ? 1 : 2))
    end
  end
end
