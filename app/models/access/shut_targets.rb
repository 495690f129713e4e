# Pages that a page links to or shows, and that some of its readers may not see: told to whoever writes it, of those they see
# themselves.
class ShutTargets
  # +shown+: whether it is inserted, and not only linked to; +readers+: who would not see it, of the house's people; +outside+:
  # whether somebody who is not signed in would not.
  Row = Struct.new(:page, :shown, :readers, :outside, keyword_init: true)

  USES = %w[link insert title].freeze

  # @param stage [String] the text that is meant, one of Reference::IN_TEXT
  # @return [Array<Row>] most readers first
  def self.of(page, viewer, stage:)
    new(page, viewer, stage).rows
  end

  def initialize(page, viewer, stage)
    @page, @viewer, @stage = page, viewer, stage
  end

  def rows
    return [] if targets.empty?

    shut = targets.map { |target| [ target, withheld(target) ] }.reject { |_target, people| people.empty? }
    shut.map { |target, people| row(target, people) }.sort_by { |row| [ -row.readers, row.page.title ] }
  end

  private

  def row(target, people)
    outside, here = people.partition { |person| person.id.nil? }
    Row.new(page: target, shown: uses.fetch(target.public_id).include?("insert"), readers: here.size, outside: outside.any?)
  end

  # What points to the page itself leads nobody away.
  def targets
    @targets ||= Page.seen_by(@viewer).where(public_id: uses.keys - [ @page.public_id ]).to_a
  end

  def uses
    @uses ||= Reference.where(page: @page, stage: @stage, use: USES, target_kind: "page").pluck(:target_id, :use).group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
  end

  def withheld(target)
    (@withheld ||= {})[[ target.access_list_id, target.published? ]] ||=
      Zuhause::Access.withheld(lists.fetch(@page.access_list_id), lists.fetch(target.access_list_id), people, @viewer.switches, published: target.published?)
  end

  def lists
    @lists ||= AccessList.lists([ @page.access_list_id, *targets.map(&:access_list_id) ].uniq)
  end

  def people
    @people ||= [ *Person.viewers, Zuhause::Access::Viewer.outside ]
  end
end
