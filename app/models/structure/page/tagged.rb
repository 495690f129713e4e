# The words that a page carries.
module Page::Tagged
  extend ActiveSupport::Concern

  included do
    has_many :taggings, dependent: :delete_all
    has_many :tags, -> { by_name }, through: :taggings
  end

  # @param names [Array<String>] see Tag.names_in
  # @param by [Person, nil]
  # @return [Boolean] false, with an error and nothing changed, for a name that cannot be or too many of them
  def tag_with(names, by: nil, at: Time.current)
    return too_many_tags if names.size > Tag::MOST

    transaction do
      reload # it may have been erased since it was read
      wanted = names.map { |name| Tag.named(name) }.uniq
      wrong = wanted.find { |tag| tag.errors.any? }
      refuse_tag(wrong) && raise(ActiveRecord::Rollback) if wrong

      before = tags.to_a
      self.tags = wanted
      (before - wanted).each { |tag| tag.destroy! if tag.taggings.none? }
      Happening.write(:tagged, self, by: by, at: at, added: (wanted - before).map(&:name), taken: (before - wanted).map(&:name)) if before != wanted
    end
    errors.none?
  end

  private

  def too_many_tags
    errors.add(:tags, :too_many, count: Tag::MOST)
    false
  end

  def refuse_tag(tag)
    errors.add(:tags, :wrong, name: tag.name, problem: tag.errors[:name].to_sentence)
  end
end
