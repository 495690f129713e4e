# The other names of a page.
module Page::Named
  extend ActiveSupport::Concern

  included do
    has_many :other_names, -> { order(:id) }, dependent: :delete_all

    after_create { KnownName.begin_with(self) }
    after_update(if: :saved_change_to_title?) { KnownName.follow_names(self) }
  end

  # Gives it a title, and its other names in place of those that it had: both or neither.
  #
  # @param names [Array<String>, nil] nil leaves them
  # @return [Boolean] false, with errors and nothing changed, if one of them will not do
  def call_by(title, names, by:, at: Time.current)
    transaction do
      done = rename(title, by: by, at: at) && (names.nil? || name_also(names, by: by, at: at))
      done || raise(ActiveRecord::Rollback)
    end || false
  end

  # Gives it these other names, in place of those that it had: it is found and linked by them from then on. Links to a name that goes
  # lead here still.
  #
  # @param names [Array<String>]
  # @return [Boolean] false, with errors and nothing changed, if one of them will not do
  def name_also(names, by:, at: Time.current)
    wanted = names.map { |name| Zuhause::Document::Title.clean(name) }.reject(&:empty?).uniq { |name| name.downcase(:fold) }
    return false unless names_do?(wanted)

    transaction do
      had = other_names.reload.map(&:name)
      next true if had == wanted

      other_names.delete_all
      OtherName.insert_all!(wanted.map { |name| { page_id: id, name: name } }) if wanted.any?
      (wanted - had).each { |name| Promise.keep(self, title: name) }
      NAMES_FOLLOWED_BY.each { |follower| follower.constantize.follow_names(self) }
      Happening.write(:names_set, self, by: by, at: at)
    end
    true
  end

  # What follows a change of its names: each is told by +follow_names(page)+.
  NAMES_FOLLOWED_BY = %w[Section CountedPage KnownName].freeze

  private

  def names_do?(names)
    errors.add(:other_names, :too_many, count: OtherName::MOST) if names.size > OtherName::MOST
    long = names.find { |name| Zuhause::Document::Title.problem(name) }
    errors.add(:other_names, :too_long, count: Zuhause::Document::Title::LENGTH.end) if long
    errors.add(:other_names, :the_title) if names.any? { |name| name.casecmp?(title) }
    errors.none?
  end
end
