# Where the lists of the maintenance desk are; those of linking have screens of their own.
module DeskAddresses
  OWN = { promised: :desk_promised_index, broken: :desk_broken_index, addresses: :desk_addresses, loose: :desk_loose_index, names: :desk_names }.freeze

  # @param name [Symbol] of Desk::GROUPS
  # @param kind [Symbol] :path or :url
  # @param scope [Hash] see DeskScope#to_params
  def desk_list_address(name, kind, scope)
    OWN.key?(name) ? public_send(:"#{OWN.fetch(name)}_#{kind}", scope) : public_send(:"desk_list_#{kind}", name, scope)
  end
end
