# The weekly letter of the maintenance desk, to whoever keeps something that needs care.
module DeskLetter
  WINDOW = 6.hours # in which a letter that was never sent before is due
  BETWEEN = 5.days # at least, whatever hour and day somebody chooses meanwhile

  class << self
    # @return [Integer] letters written
    def send_due(now: Time.current)
      settings = NewsSetting.where(person: keepers).index_by(&:person_id)
      keepers.count do |person|
        setting = settings[person.id] || NewsSetting.new(person: person)
        setting.desk_letter? && setting.next_weekly(setting.desk_letter_at&.+(BETWEEN) || now - WINDOW) <= now && send_to(person, setting, now: now)
      end
    end

    # @return [Hash{Symbol=>Integer}] lists that have anything, of what somebody keeps
    def counts_for(person)
      Desk.new(DeskScope.new(Viewer.new(person), of: "mine")).counts.values.reduce(:merge).select { |_name, count| count.positive? }
    end

    # That it was looked into is written first: nothing is sent twice, whatever becomes of the process.
    #
    # @return [Boolean] whether anything needs care
    def send_to(person, setting = NewsSetting.of(person), now: Time.current)
      setting.update!(desk_letter_at: now)
      counts = counts_for(person)
      HouseMailer.desk(person, counts).deliver_now if counts.any?
      counts.any?
    end

    private

    def keepers
      entries = AccessListEntry.where(level: :keep).lasting
      in_groups = Membership.where(group_id: entries.where.not(group_id: nil).select(:group_id)).select(:person_id)
      able = Person.active.where(role: "member")
      able.where(id: entries.where.not(person_id: nil).select(:person_id)).or(able.where(id: in_groups)).order(:id).to_a
    end
  end
end
