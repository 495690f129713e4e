# A page that is told to all people of a group or a room, by who keeps it, with who has looked since.
class Notice
  LONGEST = 300 # characters

  # +seen+ and +unseen+: people.
  Given = Struct.new(:happening, :to, :seen, :unseen, keyword_init: true)

  # @param to [Group, Room]
  # @return [Happening]
  def self.give(page, to:, words:, by:, at: Time.current)
    Happening.transaction { Happening.write(:notice_given, page, by: by, at: at, to: key(to), words: words.to_s.squish.slice(0, LONGEST).presence) }
  end

  # @return [String] as it may be kept and sent
  def self.key(to)
    "#{to.model_name.element}:#{to.public_id}"
  end

  # @return [Array(Array<Group>, Array<Room>)] whom a page can be told to
  def self.choices(viewer)
    [ Group.by_name.to_a, Room.giving(viewer, :read).in_use.in_order.reject { |room| room.own? || room.practice? } ]
  end

  # @param page [Page]
  # @return [Array<Given>] the latest first
  def self.of(page, most: 20)
    happenings = page.happenings.where(act: "notice_given").newest_first.includes(:person).limit(most).to_a
    told = Telling.where(happening: happenings, reason: "notice").includes(:person).group_by(&:happening_id)
    happenings.map do |happening|
      seen, unseen = told.fetch(happening.id, []).partition(&:seen_at)
      Given.new(happening: happening, to: place(happening.details["to"]), seen: names(seen), unseen: names(unseen))
    end
  end

  # @param holder [String]
  # @return [Group, Room, nil]
  def self.place(holder)
    kind, id = holder.to_s.split(":", 2)
    { "group" => Group, "room" => Room }[kind]&.find_by(public_id: id)
  end

  def self.names(tellings)
    tellings.map { |telling| telling.person.name }.sort
  end
  private_class_method :names
end
