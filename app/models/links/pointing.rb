# What points somewhere without any text: a room to its front page, the plan to another page. Says +points_to+; the rows follow
# whenever one of the attributes named changes.
module Pointing
  extend ActiveSupport::Concern

  class_methods do
    # @param attributes [Array<Symbol>] by which it points, or may be known
    # @param uses [Array<String>] the uses that it sees to
    def points_by(*attributes, uses:)
      class_attribute :pointing_uses, instance_accessor: false, default: uses
      after_save(if: -> { attributes.any? { |name| saved_change_to_attribute?(name) } }) { Reference.follow_set(self) }
    end
  end

  # @return [Enumerator<Pointing>] all that there is
  def self.all
    Enumerator.new { |all| [ House, Room, Signpost, Page, Template ].each { |type| type.find_each { |holder| all << holder } } }
  end

  # @return [Hash] by which columns a row is known as the holder's, whatever it points to
  def pointing_as
    { "#{self.class.name.downcase}_id": id }
  end

  # @return [Hash] by which page or room a row is judged, where the holder is neither
  def pointing_judged_by
    {}
  end

  # @return [Array<Zuhause::Links::Reference>]
  def points_to
    raise NotImplementedError
  end

  private

  def pointing(use, kind, id, label = "")
    id ? [ Zuhause::Links::Reference.new(target: Zuhause::Links::Target.new(kind, id), use: use, label: label, context: label) ] : []
  end
end
