# Where things that are told in a list are led to from: a few pages of each, with the words around, looked up together.
class PlacesLedFrom
  Place = Struct.new(:page, :block_id, :context)
  SHOWN = 5 # pages of each

  # @param column [Symbol] by which the things are told: :target or :target_id
  # @param things [Array<String>]
  # @param viewer [Viewer]
  def initialize(column, things, viewer)
    @column, @things, @viewer = column, things, viewer
  end

  # @return [Array<Place>]
  def of(thing)
    chosen.fetch(thing, []).filter_map { |_thing, id, block, context| (page = pages[id]) && Place.new(page, block, context) }
  end

  # @return [Boolean] whether the viewer may write a text that leads there
  def writable?(thing)
    @things_of_own ||= rows.select { |row| row[4] == "draft" && writable.include?(row[1]) }.to_set(&:first)
    @things_of_own.include?(thing)
  end

  # @return [Boolean] whether the viewer may write the page of that place
  def own?(place)
    writable.include?(place.page.id)
  end

  private

  def writable
    @writable ||= Page.writable_by(@viewer).where(id: rows.select { |row| row[4] == "draft" }.map(&:second).uniq).ids.to_set
  end

  def rows
    @rows ||= @things.any? ? SeenReferences.of(pointing, @viewer).order(:id).pluck(@column, :page_id, :block_id, :context, :stage) : []
  end

  # Targets are found by what they are, or are part of.
  def pointing
    found = Reference.where(@column => @things)
    @column == :target ? found.where(target_id: @things.map { |target| target[/:([^#]+)/, 1] }.uniq) : found
  end

  # What is published comes before drafts, and each page once.
  def chosen
    @chosen ||= rows.sort_by { |row| row[4] == "edition" ? 0 : 1 }.uniq { |row| row.first(2) }.group_by(&:first).transform_values { |all| all.first(SHOWN) }
  end

  def pages
    @pages ||= Page.where(id: chosen.values.flatten(1).map(&:second).uniq).index_by(&:id)
  end
end
