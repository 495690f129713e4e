# A text that somebody saves, and the newest one of its page: where it does not build on that, both are joined
# (Zuhause::Merging).
class Joining
  # @return [Integer] the version that it was joined with last
  attr_reader :version

  # @return [Array<Zuhause::Merging::Other>] what is to be settled and cannot be marked in the text
  attr_reader :others

  # @return [State] what is saved, in normal form
  attr_writer :mine

  # @param base_version [Integer]
  # @param base [Object, nil] the text that it builds on, if whoever saves has it
  def initialize(page, base_version:, base:, by:)
    @page, @base_version, @base, @by, @others = page, base_version, base, by, []
  end

  # A text that comes without any ids gets those of the text that it builds on, as far as it says the same.
  #
  # @param document [Object]
  # @return [Object]
  def with_ids(document)
    return document if ids?(document) || Zuhause::Document::Check.problems(document).any?

    Zuhause::Changes.carry_ids(base.document, Zuhause::Document::Normal.form(document).first)
  end

  # @return [State] what is to be saved
  def with_newest
    newest = @page.drafts.where.not(version: nil).order(:version).last || raise(ActiveRecord::RecordNotFound) # erased since it was read
    @version, @others = newest.version, []
    return @mine if newest.version == @base_version && @base.nil?

    outcome = Zuhause::Merging.merge(side(base), side(@mine, by: @by, version: newest.version + 1), side(newest.state, by: newest.author, version: newest.version))
    @others = outcome.others
    @mine.with(title: outcome.title, document: outcome.document)
  end

  private

  # Of what may have any shape.
  def ids?(tree)
    stack = [ tree ]
    while (node = stack.pop)
      next unless node.is_a?(Hash)
      return true if node["attrs"].is_a?(Hash) && node["attrs"]["id"].is_a?(String)

      stack.concat(node["content"]) if node["content"].is_a?(Array)
    end
    false
  end

  # What it builds on; where that has been thinned, what was saved before it.
  def base
    @from ||= given? ? saved_base.state.with(document: Zuhause::Document.accept(@base).doc) : saved_base.state
  end

  # One that could not be a text is as if none were given.
  def given?
    !@base.nil? && Zuhause::Document::Check.problems(@base).empty?
  end

  def saved_base
    @saved_base ||= @page.drafts.where(version: ..@base_version).order(:version).last || @page.drafts.where.not(version: nil).order(:version).first ||
                    raise(ActiveRecord::RecordNotFound) # erased since it was read
  end

  def side(state, by: nil, version: 0)
    Zuhause::Merging::Side.new(document: state.document, title: state.title, by: by&.public_id, version: version)
  end
end
