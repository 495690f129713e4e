# Something that was done, by whom and when: written by the model that does it, in its transaction, and never changed
# afterwards. What may be told of it, and to whom, is judged when it is read. Zuhause::Happenings::Acts says what can happen.
#
# Details hold public ids, never names of people; who did it lies in a row of its own, with a salted digest here, so that a
# person can be let go of.
class Happening < ApplicationRecord
  ACTS = Zuhause::Happenings::Acts

  # Who is told of which act, after it is done: each a class that is told by +tell(happening)+. Of what is news, TellsNews is told
  # besides.
  LISTENERS = {
    "joined" => %w[TellsJoined], "stayed" => %w[TellsStayed], "taken_over" => %w[TellsTakenOver], "given" => %w[TellsLetIn], "access_asked" => %w[TellsAsked], "join_asked" => %w[TellsAdministrators], "ending" => %w[TellsEnding], "ended" => %w[TellsEnding],
    "publication_held_up" => %w[TellsWhoSetIt], "publication_overtaken" => %w[TellsWhoSetIt], "retracted" => %w[TellsOfRetraction]
  }.freeze

  belongs_to :page, optional: true
  belongs_to :room, optional: true
  has_one :actor, class_name: "HappeningActor"
  has_one :person, through: :actor
  has_many :pending_tellings

  validates :act, inclusion: { in: ACTS::TABLE.keys.map(&:to_s) }

  after_create_commit { TellJob.perform_later(id) if pending_tellings.target.any? }

  scope :newest_first, -> { order(created_at: :desc, id: :desc) }
  # Of a room, not of pages in it, which may have lists of their own, nor of pages that have been erased.
  scope :of_place, ->(place) { where(place.is_a?(Room) ? { subject: subject_of(place), room_id: place.id } : { page_id: place.id }) }
  scope :of_access, -> { where(act: ACTS.named { |act| act.readers == :keepers }).or(where(act: "moved").where("json_extract(details, '$.opened') + json_extract(details, '$.closed') + json_extract(details, '$.changed') > 0")) }

  class << self
    # @param how [Hash] see {.of}
    # @return [Happening]
    # @raise [KeyError] for an act that is not in the table
    def write(act, about, by:, **how)
      of(act, about, by: by, **how).tap { |made| made.save! unless withheld? }
    end

    # Many at once, in a few statements.
    #
    # @param made [Array<Happening>] see {.of}
    def write_all(made)
      return if made.empty?

      numbers(made.size).zip(made) { |number, happening| happening.id = number }
      told = made.flat_map { |happening| happening.pending_tellings.target.map { |telling| telling.attributes.except("id").merge("happening_id" => happening.id) } }
      insert_all!(made.map(&:attributes))
      HappeningActor.insert_all!(made.map { |happening| happening.actor.attributes.merge("happening_id" => happening.id) })
      PendingTelling.insert_all!(told) if told.any?
      ActiveRecord.after_all_transactions_commit { ActiveJob.perform_all_later(told.pluck("happening_id").uniq.map { |id| TellJob.new(id) }) }
    end

    # @param act [Symbol] see Zuhause::Happenings::Acts::TABLE
    # @param about [Page, Room, Person, Group, House]
    # @param by [Person, nil] nil for what the house does by itself
    # @param small [Boolean] announced to nobody
    # @param exposure [Zuhause::Access::Exposure, nil] what it opened and closed
    # @param details [Hash] plain values; people, pages and the like by their public ids
    # @return [Happening] that is not written yet
    # @raise [KeyError] for an act that is not in the table
    def of(act, about, by:, at: Time.current, small: false, exposure: nil, **details)
      ACTS.fetch(act)
      details = details.merge(opened: exposure.opened.size, closed: exposure.closed.size, changed: exposure.changed.size) if exposure
      salt = SecureRandom.hex(8)
      happening = new(act: act.to_s, subject: subject_of(about), title: title_of(about), page: (about if about.is_a?(Page)), room: (about.room if about.is_a?(Placed)),
                      details: details.compact, small: small, who: by ? HappeningActor.digest(by, salt) : "", created_at: at)
      happening.build_actor(person: by, salt: salt) if by
      listeners(act).each { |listener| happening.pending_tellings.build(listener: listener, due_at: Time.current) } unless quiet?
      happening
    end

    def withheld?
      Thread.current[:happenings_withheld] || false
    end

    # What is done within is told of later, by whoever does it.
    def withheld
      before, Thread.current[:happenings_withheld] = withheld?, true
      yield
    ensure
      Thread.current[:happenings_withheld] = before
    end

    # Nobody is told of what is done within, such as a whole house that is loaded.
    def quietly
      before, Thread.current[:happenings_quiet] = quiet?, true
      yield
    ensure
      Thread.current[:happenings_quiet] = before
    end

    def subject_of(about)
      about.is_a?(House) ? "house" : "#{about.model_name.element}:#{about.public_id}"
    end

    # Lets go of what is not kept for good.
    def forget(now: Time.current)
      ACTS.passing.each { |days, acts| where(act: acts, created_at: ...(now - days.days)).in_batches(of: 1000).delete_all }
    end

    private

    def listeners(act)
      LISTENERS.fetch(act.to_s, []) + (Zuhause::Telling::Reasons.of(act).any? ? %w[TellsNews] : [])
    end

    def quiet?
      Thread.current[:happenings_quiet] || false
    end

    # People's names are told as they are when it is read.
    def title_of(about)
      case about
      when Page then about.title
      when Person then ""
      else about[:name]
      end
    end
  end

  # @return [Zuhause::Happenings::Acts::Act]
  def kind
    ACTS.fetch(act)
  end

  # @return [String] the public id of what it is about
  def subject_id
    subject.split(":", 2)[1].to_s
  end

  def readonly?
    persisted?
  end
end
