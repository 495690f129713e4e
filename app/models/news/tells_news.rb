# Writes down who has been told of what happened, and sends by mail what is to be sent at once.
module TellsNews
  class << self
    # Nobody is told twice: what was written down before is left as it is.
    #
    # @param by_mail [Boolean]
    def tell(happening, by_mail: true)
      told = ToldPeople.new(happening)
      reasons = told.reasons
      return if reasons.empty?

      settings = NewsSetting.where(person: reasons.keys).index_by(&:person_id)
      rows = reasons.map { |person, reason| row(happening, person, reason, told.sight, by_mail ? settings[person.id] || NewsSetting.new(person: person) : nil) }
      Telling.insert_all(rows, unique_by: %i[happening_id person_id])
      Letter.send_due(Telling.where(happening: happening), now: Time.current) if by_mail
    end

    private

    def row(happening, person, reason, sight, setting)
      of_page = happening.page_id.present?
      { page_id: happening.page_id, room_id: (happening.room_id unless of_page), place: happening.page_id || -happening.room_id,
        personal: Zuhause::Telling::Reasons::PERSONAL.include?(reason), happening_id: happening.id, person_id: person.id, reason: reason, sight: sight, happened_at: happening.created_at, created_at: Time.current, mail_at: setting&.due(reason, at: happening.created_at) }
    end
  end
end
