# The maintenance desk: lists of what needs care in one scope, each with a count that agrees with it.
class Desk
  # +name+; +count+; +path+ takes the scope's parameters.
  Line = Struct.new(:name, :count, :path, keyword_init: true)

  # Lists that are told here, in groups; those of linking have screens of their own.
  GROUPS = {
    waiting: %i[reviews questions proposals notes unhelped],
    pages: %i[overdue near outdated passed changed unread unkept],
    writing: %i[scheduled unfinished],
    linking: %i[promised broken addresses loose names]
  }.freeze
  LISTS = (GROUPS.values.flatten - GROUPS[:linking]).freeze

  # @param scope [DeskScope]
  def initialize(scope)
    @scope = scope
  end

  attr_reader :scope

  # @return [Hash{Symbol=>Hash{Symbol=>Integer}}] counts by group and list
  def counts
    @counts ||= GROUPS.transform_values { |names| names.index_with { |name| count(name) } }
  end

  # @return [Integer]
  def total
    counts.values.sum { |of| of.values.sum }
  end

  # @param name [Symbol] of {GROUPS}
  # @return [Integer]
  def count(name)
    return said.fetch(name) if DeskList::Remarks::KINDS.key?(name)
    return reasons.fetch(name) if GROUPS[:pages].include?(name)
    return list(name).count unless GROUPS[:linking].include?(name)

    name == :loose ? kept_loose : linking(name).count
  end

  # @param name [Symbol] of {LISTS}
  # @return [DeskList]
  def list(name)
    (@lists ||= {})[name] ||= DeskList.of(name, scope, care)
  end

  # @param name [Symbol] of those of linking
  # @return [PromisedPages, BrokenLinks, SeenAddresses, LoosePages, UnlinkedNames] in the texts of the scope
  def linking(name)
    { promised: PromisedPages, broken: BrokenLinks, addresses: SeenAddresses, loose: LoosePages, names: UnlinkedNames }.fetch(name).new(scope.viewer, within: scope.pages)
  end

  private

  def care
    @care ||= Care.new(scope.viewer, pages: scope.pages)
  end

  # In one query for all kinds of what is said.
  def said
    @said ||= DeskList::Remarks.counts(scope)
  end

  # In one query for all reasons.
  def reasons
    @reasons ||= care.counts(GROUPS[:pages])
  end

  # Looking for loose pages goes through all that one reads: what was found is kept until something leads elsewhere.
  def kept_loose
    scope.viewer.kept_fetch([ :loose, scope.viewer.person&.id, scope.to_params ], of: %i[people lists rooms pages links]) { linking(:loose).count }
  end
end
