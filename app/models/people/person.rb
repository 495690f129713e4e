class Person < ApplicationRecord
  include PubliclyIdentified, Keeping

  THEMES = %w[system light dark].freeze

  devise :database_authenticatable, :recoverable, :rememberable, :validatable

  has_many :memberships, dependent: :delete_all
  has_many :sign_ins, dependent: :delete_all
  has_many :kept_searches, dependent: :delete_all
  has_many :groups, through: :memberships

  has_many :follows, dependent: :delete_all
  has_many :tellings, dependent: :delete_all
  has_one :news_setting, dependent: :delete
  has_one :slip, dependent: :delete
  has_one :own_room, class_name: "Room", foreign_key: :owner_id

  has_one_attached :picture

  enum :role, { member: "member", guest: "guest" }, validate: true
  enum :office, { none: "none", administrator: "administrator", owner: "owner" }, prefix: true, validate: true

  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(name) }
  validates :name, presence: true, length: { maximum: 80 }
  normalizes :occupation, :contact, :spoken, with: ->(text) { text.to_s.squish }
  validates :occupation, :contact, :spoken, length: { maximum: 120 }
  validates :theme, inclusion: { in: THEMES }
  validates :time_zone, inclusion: { in: ->(_person) { ActiveSupport::TimeZone::MAPPING.keys } }
  validates :language, inclusion: { in: ->(_person) { I18n.available_locales.map(&:to_s) } }
  validates :office, inclusion: { in: %w[none], message: :members_only }, if: :guest?

  after_update -> { Slip.where(person: self).delete_all }, if: :saved_change_to_encrypted_password?
  after_update -> { Happening.write(:password_changed, self, by: self) }, if: :saved_change_to_encrypted_password?
  after_update -> { own_room&.follow_name(name_before_last_save) }, if: :saved_change_to_name?

  scope :by_name, -> { order(:name, :id) }
  scope :active, -> { where(suspended_at: nil) }

  # @param by [Person, nil]
  # @return [Boolean] false, with errors, if something is missing or somewhere the last keeper would go
  def change(by: nil, **attributes)
    transaction do
      reload # others may have changed it since it was read
      assign_attributes(attributes)
      next false unless valid?

      act = act_of_change
      saved = suspended_at_changed? && !role_changed? ? save : keeping_all_kept { save! }
      Happening.write(act, self, by: by, **slice(:role, :office).symbolize_keys) if saved && act
      saved
    end
  end

  # Ends all sessions and remembered sign-ins, everywhere.
  def end_sessions(by: nil)
    transaction do
      sign_ins.delete_all
      increment!(:session_number)
      Happening.write(:signed_out, self, by: by)
    end
  end

  # What a session and a remembered sign-in are held against at every request.
  def authenticatable_salt
    "#{super}#{session_number unless session_number.zero?}"
  end

  # @param notification [Symbol] Devise's name for a mail
  def send_devise_notification(notification, token = nil, *)
    HouseMailer.choose_password(self, token).deliver_now if notification == :reset_password_instructions
  end

  def suspended
    suspended?
  end

  # @param value [Object] true or "1" suspends from now on, anything else ends it
  def suspended=(value)
    value = ActiveModel::Type::Boolean.new.cast(value)
    self.suspended_at = value ? suspended_at || Time.current : nil
  end

  def suspended?
    suspended_at.present?
  end

  def administrator?
    !office_none?
  end

  # Nobody but the owner changes the owner.
  def open_for_change_by?(other)
    !office_owner? || self == other
  end

  # Devise asks at sign-in and at every request, so that suspending ends all sessions.
  def active_for_authentication?
    super && !suspended?
  end

  def inactive_message
    suspended? ? :suspended : super
  end

  # @return [Symbol, nil] what the changes that are about to be saved are called
  def act_of_change
    if suspended_at_changed? then suspended? ? :suspended : :unsuspended
    elsif role_changed? || office_changed? then :role_changed
    elsif changed? then :person_changed
    end
  end

  def initials
    name.split.values_at(0, -1).uniq.compact.map { |word| word[0] }.join.upcase
  end

  # @return [Zuhause::Access::Viewer] this person as the rules of access see them
  def to_viewer(group_ids = memberships.pluck(:group_id))
    Zuhause::Access::Viewer.new(id: id, role: role.to_sym, groups: group_ids, suspended: suspended?, administrator: administrator?)
  end

  # @return [Array<Zuhause::Access::Viewer>] everybody, in two queries
  def self.viewers
    groups = Membership.pluck(:person_id, :group_id).group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
    pluck(:id, :role, :office, :suspended_at).map do |id, role, office, suspended_at|
      Zuhause::Access::Viewer.new(id: id, role: role.to_sym, groups: groups.fetch(id, []), suspended: suspended_at.present?, administrator: office != "none")
    end
  end
end
