# Asking people into the house, or to a place or a group: whoever is here already is let in, others get a mail.
class Inviting
  # One of those who are asked: +person+ if they are here already, +open+ the invitation that waits for them there already.
  Asked = Struct.new(:entry, :level, :person, :open, keyword_init: true)

  attr_reader :place, :group

  # @param viewer [Viewer] who invites
  # @param place [Room, Page, nil]
  # @param group [Group, nil]
  def initialize(viewer, place: nil, group: nil)
    @viewer, @place, @group = viewer, place, group
  end

  # @param role [Symbol] :member or :guest
  def may?(role)
    return false if @group && !@viewer.administrator?

    Zuhause::Inviting.may?(@viewer.subject, role, level: @place && @viewer.level_on(@place), by_keepers: @viewer.house.invited_by_keepers.to_sym)
  end

  # @return [Array<Symbol>] those that may be invited
  def roles
    %i[guest member].select { |role| may?(role) }
  end

  # @param entries [Array<Zuhause::Inviting::MailAddresses::Entry>]
  # @param levels [Hash{String=>Symbol}] by address
  # @return [Array<Asked>]
  def asked(entries, levels)
    people = Person.where(email: entries.map(&:email)).index_by(&:email)
    open = Invitation.untaken.where(email: entries.map(&:email), **where).index_by(&:email)
    entries.map { |entry| Asked.new(entry: entry, level: (levels[entry.email] if @place), person: people[entry.email], open: open[entry.email]) }
  end

  # @param asked [Array<Asked>]
  # @return [Zuhause::Access::Exposure, nil] of letting in those who are here already
  # @raise [Placed::NoKeeper]
  def exposure(asked, ends_on:)
    here = asked.select(&:person)
    return if here.empty?
    return @group.exposure_with([ *@group.people, *here.map(&:person) ].uniq) if @group

    @place&.exposure_of_grants(here.map { |one| grant(one, ends_on) })
  end

  # @param role [Symbol] of somebody who is not here yet
  # @param level [Symbol, nil] that is given on the place
  # @return [Integer] published pages that such a person would see
  def pages_for(role, level)
    newcomer = Zuhause::Access::Viewer.new(id: :newcomer, role: role, groups: [ @group&.id ].compact)
    sees = ->(list) { Zuhause::Access::Level.at_least?(list.level(newcomer, @viewer.switches), :read) }
    there = @place ? @place.trial_of(@place.grants_with([ Zuhause::Access::Grant.new(Zuhause::Access::Holder.new(:person, :newcomer), level) ])).after : {}
    published = Page.kept.where.not(edition_id: nil)
    elsewhere = published.where.not(id: there.keys).group(:access_list_id).count
    lists = AccessList.lists(elsewhere.keys)
    published.where(id: there.keys).ids.count { |id| sees.call(there.fetch(id)) } + elsewhere.sum { |list, pages| sees.call(lists.fetch(list)) ? pages : 0 }
  end

  # Lets in whoever is here, and writes to the others.
  #
  # @param asked [Array<Asked>]
  # @return [Array(Integer, Integer)] how many were let in, and how many were written to
  # @raise [Placed::NoKeeper]
  def invite(asked, role:, ends_on: nil, words: "")
    here, others = asked.partition(&:person)
    Invitation.transaction { let_in(here, ends_on, words) }
    [ here.size, others.count { |one| write_to(one, role, ends_on, words) } ]
  end

  private

  def where
    { room_id: (@place.id if @place.is_a?(Room)), page_id: (@place.id if @place.is_a?(Page)), group_id: @group&.id }
  end

  def grant(one, ends_on)
    Zuhause::Access::Grant.new(Zuhause::Access::Holder.new(:person, one.person.id), one.level, ends_on)
  end

  def let_in(here, ends_on, words)
    return if here.empty?
    return @group.change(name: @group.name, people: [ *@group.people, *here.map(&:person) ].uniq, by: @viewer.person) if @group
    return unless @place

    here.each do |one|
      grant = grant(one, ends_on)
      exposure = @place.exposure_of_grants([ grant ])
      @place.record_access(:given, by: @viewer.person, exposure: exposure, holder: grant.holder, level: grant.level, ends_on: ends_on) { @place.grant(grant.holder, grant.level, ends_on: ends_on) }
      Follow.begin_by_itself(one.person, @place)
      HouseMailer.let_in(one.person, @place, by: @viewer.person, level: grant.level, ends_on: ends_on, words: words).deliver_now unless one.person.suspended?
    end
  end

  def write_to(one, role, ends_on, words)
    invitation = one.open || Invitation.new(email: one.entry.email, **where)
    invitation.assign_attributes(name: one.entry.name.presence || invitation.name, role: role, level: one.level, ends_on: ends_on, words: words, inviter: @viewer.person)
    fresh = invitation.new_record?
    return false unless invitation.send_out

    Happening.write(*invitation.act(:invitation_sent), by: @viewer.person, invitation: invitation.public_id, level: one.level) if fresh
    true
  end
end
