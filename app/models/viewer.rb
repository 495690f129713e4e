# Whoever makes a request: a person or somebody who is not signed in, with what they may see worked out once.
class Viewer
  LEVELS = { read: 1, comment: 2, write: 3, keep: 4 }.freeze

  attr_reader :person, :house, :subject

  delegate :switches, to: :house
  delegate :administrator?, :active_member?, to: :subject

  def initialize(person, house = House.current)
    @person = person
    @house = house
    @subject = person ? person.to_viewer : Zuhause::Access::Viewer.outside
    @list_ids = {}
  end

  def signed_in?
    !person.nil?
  end

  # @return [Array<Integer>] the access lists that give this viewer a level or more
  def list_ids(level)
    @list_ids[level] ||= AccessList.giving(level, subject.holders(level, switches)).ids.to_set
  end

  # @param place [Room, Page]
  # @return [Symbol] the level there
  def level_on(place)
    LEVELS.keys.reverse.find { |level| list_ids(level).include?(place.access_list_id) } || :none
  end

  # @return [Symbol] what is seen of a page: :nothing, :edition or :draft
  def sight_of(page)
    Zuhause::Access::Sight.of(level_on(page), published: page.published?, binned: page.binned?)
  end

  def sees?(page)
    sight_of(page) != :nothing
  end
end
