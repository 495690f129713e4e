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
    return linking(name) if GROUPS[:linking].include?(name)
    return said.fetch(name) if DeskList::Remarks::KINDS.key?(name)

    list(name).count
  end

  # @param name [Symbol] of {LISTS}
  # @return [DeskList]
  def list(name)
    (@lists ||= {})[name] ||= DeskList.of(name, scope, care)
  end

  private

  def care
    @care ||= Care.new(scope.viewer, pages: scope.pages)
  end

  # In one query for all kinds of what is said.
  def said
    @said ||= DeskList::Remarks.counts(scope)
  end

  # Looking for loose pages goes through all that one reads: what was found is kept until something leads elsewhere.
  def linking(name)
    viewer, within = scope.viewer, scope.pages
    case name
    when :promised then PromisedPages.new(viewer, within: within).count
    when :broken then BrokenLinks.new(viewer, within: within).count
    when :addresses then SeenAddresses.new(viewer, within: within).count
    when :loose then viewer.kept_fetch([ :loose, viewer.person&.id, scope.to_params ], of: %i[people lists rooms pages links]) { LoosePages.new(viewer, within: within).count }
    when :names then UnlinkedNames.new(viewer, within: within).count
    end
  end
end
