# The tree of pages that what was brought in would become, as far as it is looked at: all of it if it is small, else the branches that
# are open.
class ArrivalBranches
  ALL = 300 # rows, shown at once

  # @param open [Array<String>] keys of branches
  def initialize(arrival, open: [])
    @arrival = arrival
    @files = arrival.files.places.light.order(:position, :id).to_a
    @by_above = @files.group_by(&:above_id)
    @open = open.to_set
    @again = arrival.again
  end

  attr_reader :arrival

  # @return [ComingAgain, nil]
  attr_reader :again

  # @return [Array<Integer>] how many are as they were, have changed, and are new
  def counts
    texts = @files.select { |file| file.kind == "text" && file.problem.nil? }
    known, fresh = texts.partition(&:known_page_id)
    [ known.count(&:same), known.count { |file| !file.same }, fresh.size ]
  end

  # @return [Array<ArrivedFile>]
  def below(id)
    @by_above[id] || []
  end

  def any_below?(file)
    @by_above.key?(file.id)
  end

  def open?(file)
    @files.size <= ALL || @open.include?(file.key)
  end

  # @param file [ArrivedFile]
  # @return [String, nil] the name of what was made of it, where that is why it is left out
  def made_of(file)
    (@made_of ||= ArrivedSources.new(@arrival).made_of)[file.path]&.then { |path| File.basename(path) } if file.left_out
  end

  # @param file [ArrivedFile]
  # @return [String, nil] the name of what it leads on to, where that is why it is left out
  def leading_on(file)
    File.basename(file.leads_on[/\A[^#?]+/].to_s).presence if file.left_out && file.leads_on
  end

  # @return [Integer] pages that would be made
  def pages
    @files.count { |file| file.problem.nil? && !file.left_out }
  end

  # @return [Array<ArrivedFile>] those that could not be read
  def unread
    @files.select(&:problem)
  end
end
