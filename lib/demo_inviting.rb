# Who has been asked into the demo house, who asks for more, and what is given there up to a day.
class DemoInviting
  # @param entries [Hash] of demo/inviting.yml
  # @param people [Hash{String=>Person}]
  def initialize(entries, people)
    @entries, @people = entries, people
  end

  def load
    @entries[:ending].each { |entry| give(entry) }
    @entries[:invited].each { |entry| invite(entry) }
    @entries[:patterns].each { |entry| pattern(entry) }
    @entries[:asking].each { |entry| AccessRequest.ask(@people.fetch(entry[:by]), "/p/#{page(entry).to_param}", words: entry[:words]) }
  end

  private

  def give(entry)
    holder = Zuhause::Access::Holder.new(:person, @people.fetch(entry[:person]).id)
    page(entry).grant(holder, entry[:level].to_sym, ends_on: Date.current + entry[:days])
    AccessGrant.ending.where(person_id: holder.id, page: page(entry)).update_all(created_at: entry.fetch(:given_days_ago, 0).days.ago)
  end

  def invite(entry)
    inviting = Inviting.new(Viewer.new(@people.fetch(entry[:by])), place: (page(entry) if entry[:page]))
    asked = inviting.asked(Zuhause::Inviting::MailAddresses.new(entry[:who]).entries, Hash.new(entry[:level]&.to_sym))
    inviting.invite(asked, role: entry[:role].to_sym, ends_on: entry[:days] && (Date.current + entry[:days]), words: entry[:words].to_s)
  end

  def pattern(entry)
    RoomPattern.new.keep(entry.except(:by, :parts), parts: entry[:parts], by: @people.fetch(entry[:by]))
  end

  def page(entry)
    Page.find_by!(public_id: entry[:page])
  end
end
