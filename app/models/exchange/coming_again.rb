# A manual that comes once more: pages that were made of the same files are brought up to date, and what was written in them meanwhile
# is kept.
class ComingAgain
  LIKE = 0.5 # of the texts, by their paths
  ALIKE = 0.3 # of the words of a text, in the middle of those that are looked at
  LOOKED_AT = 25 # texts, whether they say much the same as those of the same paths

  # @param arrival [Arrival]
  # @return [Arrival, nil] the latest that its person brought in before, was made and not taken back, and holds enough of the same
  #   files, which say enough of the same: another manual, or one in another language, has names in common too
  def self.before(arrival)
    paths = arrival.files.texts.where(part_of_id: nil).pluck(:path)
    return if paths.empty?

    Arrival.where(person: arrival.person, undone_at: nil).where.not(made_at: nil).newest_first.limit(20).find { |other| other.files.texts.where(path: paths).where.not(page_id: nil).count >= LIKE * paths.size && alike?(arrival, other, paths) }
  end

  def self.alike?(arrival, other, paths)
    common = other.files.texts.where(path: paths).where.not(page_id: nil).order(:path).pluck(:path)
    looked_at = common.each_slice([ common.size / LOOKED_AT, 1 ].max).map(&:first)
    shares = looked_at.map { |path| share(*[ arrival, other ].map { |each| words(each.files.texts.find_by!(path: path)) }) }.sort
    shares[shares.size / 2] >= ALIKE
  end

  # Jaccard's coefficient of the words that stand in two texts.
  def self.share(one, other)
    one.empty? && other.empty? ? 1.0 : (one & other).size.fdiv((one | other).size)
  end

  def self.words(file)
    Zuhause::Document::Text.of(file.document).downcase.scan(/[[:alnum:]]+/).to_set
  end
  private_class_method :alike?, :share, :words

  # @param arrival [Arrival] which has come before
  def initialize(arrival)
    @arrival = arrival
    @before = arrival.before
  end

  # Finds the pages that were made of the same files, as far as whoever brings them may write those.
  def match
    viewer = Viewer.new(@arrival.person)
    pages = @before.files.texts.where.not(page_id: nil).where("clash IS NOT 'ours'").pluck(:path, :page_id).to_h
    there = Page.kept.where(id: pages.values).includes(:room, :draft).select { |page| Pundit.policy!(viewer, page).edit? }.index_by(&:id)
    Arrival.transaction do
      pages.each { |path, id| there[id]&.then { |page| @arrival.files.texts.where(path: path).update_all(known_page_id: id, page_id: id, title: page.draft.title) } }
    end
  end

  # Gives what was read the ids that it had, as far as it says the same: of blocks, and of pictures.
  #
  # @param file [ArrivedFile]
  def carry(file)
    former = former(file) or return
    old_ids, document = ids(file.document), file.document
    document = Zuhause::Document.accept(Zuhause::Changes.carry_ids(former.document, Zuhause::Document::Ids.strip(document))).doc
    pictures = same_pictures(file, former)
    document = Zuhause::Document::Walk.rebuild(document) { |node| (own = pictures[node.dig("attrs", "file")]) ? node.merge("attrs" => node["attrs"].merge("file" => own)) : node } if pictures.any?
    new_ids = old_ids.zip(ids(document)).to_h
    file.update_columns(reading: ArrivedFile.binary(file.held.merge("document" => document, "pictures" => file.shown.transform_keys { |id| pictures.fetch(id, id) })), anchors: ArrivedFile.binary(file.places.transform_values { |id| new_ids.fetch(id, id) }))
  end

  # Whether it says what it said stays as it is until somebody ticks it.
  #
  # @param file [ArrivedFile]
  # @param links [ArrivedLinks]
  def compare(file, links)
    former = former(file) or return
    same = links.follow(file).first == former.document
    file.update_columns(same: same, left_out: same)
  end

  # @return [Zuhause::Changes::Comparison, nil] of what a file said and says
  def changes(file, document)
    former(file)&.then { |former| Zuhause::Changes::Comparison.new(former.document, document) }
  end

  # @return [Hash, nil] what it said when it came last
  def base(file)
    former(file)&.document
  end

  # @param viewer [Viewer]
  # @return [Array<Page>] that the viewer sees, made of files that have not come again
  def gone(viewer)
    Page.seen_by(viewer).kept.where(id: @before.files.texts.where.not(page_id: nil).where.not(path: @arrival.files.texts.select(:path)).select(:page_id)).order(:id).to_a
  end

  private

  def former(file)
    @before.files.texts.find_by(path: file.path) if file.known_page_id
  end

  def ids(document)
    Zuhause::Document::Walk.blocks(document).map { |block| block.dig("attrs", "id") }
  end

  # @return [Hash{String=>String}] ids that pictures have on the page, by those that were read, where the files are equal
  def same_pictures(file, former)
    own = former.shown.invert
    sums = @arrival.files.where(path: file.shown.values.compact).with_attached_original.to_h { |picture| [ picture.path, picture.original.blob.checksum ] }
    kept = PageFile.where(public_id: own.values_at(*file.shown.values).compact).with_attached_content.to_h { |picture| [ picture.public_id, picture.content.blob.checksum ] }
    file.shown.filter_map { |id, path| [ id, own[path] ] if path && own[path] && kept[own[path]] == sums[path] }.to_h
  end
end
