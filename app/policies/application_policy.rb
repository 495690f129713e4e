# Policies ask the core's one table of acts (Zuhause::Access::Acts).
class ApplicationPolicy
  attr_reader :viewer, :record

  def initialize(viewer, record)
    @viewer = viewer
    @record = record
  end

  # Defines a question for each act of the table that has one.
  def self.asks(**questions)
    questions.each { |question, act| define_method(question) { may?(act) } }
  end

  private

  def may?(act)
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
