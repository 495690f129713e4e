# Policies ask the core's one table of acts (Zuhause::Access::Acts).
class ApplicationPolicy
  LOOKED_AT = %i[read look_over].freeze

  attr_reader :viewer, :record

  def initialize(viewer, record)
    @viewer = viewer
    @record = record
  end

  class << self
    # Defines a question for each act of the table that has one.
    def asks(**questions)
      @questions = questions.invert
      questions.each { |question, act| define_method(question) { may?(act) } }
    end

    # @param record [Object] or a class
    # @param act [Symbol] a key of Zuhause::Access::Acts::TABLE
    # @return [Symbol] what its policy is asked
    def question(record, act)
      Pundit::PolicyFinder.new(record).policy!.questions.fetch(act, :"#{act}?")
    end

    def questions
      @questions || {}
    end
  end

  private

  # Whoever looks as somebody else does nothing.
  def may?(act)
    return false if viewer.looking? && !LOOKED_AT.include?(act)

    Zuhause::Access::Acts.may?(act, viewer.subject, level: level, sight: sight, archived: archived?)
  end

  def archived?
    false
  end

  def level
    :none
  end

  def sight
    :nothing
  end
end
