# Somebody who has been asked to come into the house, a room, a page or a group. The address in the mail works once; what it opens is
# judged when it is taken, by what whoever invited may do then.
class Invitation < ApplicationRecord
  include PubliclyIdentified, Tokened

  LONGEST_WORDS = 1000
  MOST = 200 # at once
  STATES = %i[waiting expired taken withdrawn].freeze

  # Whoever invited may do so no more, or the place is gone.
  class Void < StandardError; end

  belongs_to :room, optional: true
  belongs_to :page, optional: true
  belongs_to :group, optional: true
  belongs_to :inviter, class_name: "Person", optional: true
  belongs_to :person, optional: true

  enum :role, { member: "member", guest: "guest" }, validate: true
  enum :level, Viewer::LEVELS, prefix: :may

  normalizes :email, with: ->(email) { email.strip.downcase }
  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(name) }
  validates :email, format: { with: Devise.email_regexp }
  validates :name, length: { maximum: 80 }
  validates :words, length: { maximum: LONGEST_WORDS }
  validates :level, presence: true, if: :place

  scope :untaken, -> { where(taken_at: nil, withdrawn_at: nil) }
  scope :newest_first, -> { order(created_at: :desc, id: :desc) }

  # @param token [String] of the address in a mail
  # @return [Invitation, nil] one that can be taken still
  def self.at(token, now: Time.current)
    untaken.where(expires_at: now..).find_by(token_digest: digest(token)) if token.present?
  end

  SENT_AGAIN_AFTER = 10.minutes

  # Writes to somebody whose address is of a domain that the house names, and who is not here yet. Nobody is told whether it did.
  def self.join(email, now: Time.current)
    email = email.to_s.strip.downcase
    return if !email.match?(Devise.email_regexp) || !House.current.joins?(email) || Person.exists?(email: email)

    invitation = untaken.find_or_initialize_by(email: email, room_id: nil, page_id: nil, group_id: nil)
    return if invitation.persisted? && (invitation.inviter_id || invitation.expires_at > now + House.current.invitation_days.days - SENT_AGAIN_AFTER)

    invitation.role = "member"
    invitation.send_out(at: now)
  end

  # @param viewer [Viewer]
  # @return [ActiveRecord::Relation] those that the viewer may look after: all for administrators, as far as they lead into the house
  #   or a group; for others, and of places, what they keep
  def self.looked_after_by(viewer)
    kept = where(room: Room.giving(viewer, :keep)).or(where(page: Page.kept.giving(viewer, :keep)))
    viewer.administrator? ? kept.or(where(room: nil, page: nil)) : kept
  end

  # Sends it, or sends it again: what was sent before works no more.
  # @return [Boolean] false, with errors
  def send_out(at: Time.current)
    token = self.class.fresh_token
    self.token_digest, self.expires_at = self.class.digest(token), at + House.current.invitation_days.days
    self.created_at ||= at
    return false unless save

    HouseMailer.invited(self, token).deliver_now
    true
  end

  def withdraw(by:, at: Time.current)
    transaction do
      next false unless self.class.untaken.where(id: id).update_all(withdrawn_at: at) == 1

      Happening.write(*act(:invitation_withdrawn), by: by, at: at, invitation: public_id)
    end
  end

  # @return [Symbol] one of {STATES}
  def state(now: Time.current)
    if taken_at then :taken
    elsif withdrawn_at then :withdrawn
    else expires_at < now ? :expired : :waiting
    end
  end

  # @return [Room, Page, nil]
  def place
    page || room
  end

  # @param name [Symbol]
  # @return [Array(Symbol, Room|Page|House)] what is written of it, and about what
  def act(name)
    place ? [ name, place ] : [ :"house_#{name}", House.current ]
  end

  # @return [Boolean] whether nobody invited, but whoever it is asked for it
  def of_themselves?
    inviter_id.nil? && place.nil? && group.nil?
  end

  # @param house [House] as it is set, or would be
  # @return [Boolean] whether it still opens what it says
  def holds?(house = House.current)
    return house.joins?(email) if of_themselves?
    return false if inviter.nil? || inviter.suspended? || place&.then { |there| there.is_a?(Page) && there.binned? }

    Inviting.new(Viewer.new(inviter, house), place: place, group: group).may?(role.to_sym)
  end

  # Lets in somebody who has an account.
  #
  # @raise [Void]
  def take(person, at: Time.current)
    transaction do
      raise Void unless self.class.untaken.where(id: id).update_all(taken_at: at, person_id: person.id) == 1 && holds?

      let_in(person, at)
    end
  end

  # Makes an account for whoever was asked; all else that waits for the same address is taken along.
  #
  # @return [Person] with errors if the name or the password will not do
  # @raise [Void]
  def come(name:, password:, at: Time.current)
    person = Person.new(email: email, name: name, password: password, role: role)
    return person unless person.valid?

    transaction do
      raise Void unless holds?

      person.save!
      Happening.write(:invited, person, by: inviter || person, at: at, role: role)
      take(person, at: at)
      self.class.untaken.where(email: email, expires_at: at..).find_each { |other| other.take(person, at: at) if other.holds? }
    end
    person
  end

  private

  def let_in(person, at)
    raise Void unless group.nil? || group.change(name: group.name, people: [ *group.people, person ].uniq, by: inviter)
    return unless place

    holder = Zuhause::Access::Holder.new(:person, person.id)
    return if ends_on && ends_on < House.today

    exposure = place.exposure_of_giving([ holder ], level.to_sym, ends_on: ends_on)
    place.record_access(:given, by: inviter, exposure: exposure, holder: holder, level: level, ends_on: ends_on, at: at) { place.grant(holder, level.to_sym, ends_on: ends_on) }
    Follow.begin_by_itself(person, place, at: at)
  end
end
