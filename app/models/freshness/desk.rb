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
    GROUPS[:linking].include?(name) ? linking(name).count : list(name).count
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

  def linking(name)
    viewer, within = scope.viewer, scope.pages
    case name
    when :promised then PromisedPages.new(viewer, within: within)
    when :broken then BrokenLinks.new(viewer, within: within)
    when :addresses then SeenAddresses.new(viewer, within: within)
    when :loose then LoosePages.new(viewer, within: within)
    when :names then UnlinkedNames.new(viewer, within: within)
    end
  end
end
