# Files that somebody brought in: read, looked at and changed by whoever did, and then made pages. Only who brought them sees them.
class Arrival < ApplicationRecord
  include PubliclyIdentified

  MOST_FILES = 50 # in one form
  LARGEST = 50.megabytes # of one file, and of all in one form
  MOST = 10_000 # files in all
  LARGEST_WHOLE = 1.gigabyte
  KEPT = 7.days # for somebody to look at
  SOON = 50 # files, which are forgotten at once
  AT_ONCE = 5 # pages, which are made while one waits
  UNDONE = 30.days # within these all that was made can be taken back
  PACKED = /\.(?:zip|epub)\z/i

  # +message+ says why: "many" or "large".
  class Full < StandardError; end

  belongs_to :person
  belongs_to :work, optional: true
  belongs_to :before, class_name: "Arrival", optional: true
  has_many :files, class_name: "ArrivedFile", dependent: :destroy
  has_many_attached :pictures

  scope :stale, -> { where(made_at: nil, created_at: ...KEPT.ago) }
  scope :standing, -> { where(created_at: KEPT.ago..).or(where.not(made_at: nil)) }
  scope :newest_first, -> { order(id: :desc) }

  # Keeps files as they came; a piece of long work reads them.
  #
  # @param uploads [Array<ActionDispatch::Http::UploadedFile>]
  # @param address [String] of this house, by which its pages are linked to
  # @param page [Page, nil] into whose draft they are to be put
  # @param above [String, nil] the place that was chosen for the pages they become
  # @return [Arrival]
  def self.receive(uploads, by:, address:, page: nil, above: nil)
    arrival = create!(person: by, created_at: Time.current)
    arrival.keep(uploads.map { |upload| [ upload.original_filename, upload.open ] }, unpack: page.nil?)
    arrival.tap { arrival.begin_reading(address: address, page: page, above: above) }
  end

  # Keeps files as they are, all of them or none.
  #
  # @param sent [Enumerable<Array(String, IO)>] where each lay, and what it holds
  # @param unpack [Boolean] whether a folder that is packed is to be unpacked
  # @raise [Full]
  def keep(sent, unpack: true)
    taken, bytes = files.pluck(:path).to_set, files.joins(original_attachment: :blob).sum(:byte_size)
    rows = sent.map do |path, io|
      raise Full, "many" if taken.size >= MOST
      raise Full, "large" if (bytes += io.size) > LARGEST_WHOLE

      path = free(Zuhause::Document::Normal.clean(path.to_s.tr("\\", "/")).delete_prefix("./"), taken)
      [ row(path, unpack), blob(path, io) ]
    end.to_a
    transaction { insert(rows) } if rows.any?
  end

  # @return [Work]
  def begin_reading(address:, page: nil, above: nil)
    Work.start(:bringing_in, page: page, by: person, total: files.texts.count, address: address, into_draft: page.present?, above: above) { |work| update!(work: work) }
  end

  # Folders that came packed.
  def packed
    files.where(kind: "packed").with_attached_original
  end

  # Keeps what was read.
  #
  # @param read [Array<Array(ArrivedText, Hash{String=>Upload})>] texts, and the pictures that came within each by the ids that stand in it
  def add(read)
    blobs = read.flat_map { |_text, kept| kept.map { |id, upload| ActiveStorage::Blob.create_and_upload!(io: StringIO.new(upload.bytes), filename: File.basename(upload.original_filename), identify: false, metadata: { "id" => id }) } }
    rows = read.map { |text, _kept| [ text.key, ArrivedFile.read(text) ] }
    parts = read.flat_map { |text, _kept| (text.parts || []).map { |part| [ text.key, ArrivedText.new(**part.symbolize_keys) ] } }
    transaction do
      ActiveStorage::Attachment.insert_all!(blobs.map { |blob| { name: "pictures", record_type: "Arrival", record_id: id, blob_id: blob.id, created_at: Time.current } }) if blobs.any?
      rows.each { |key, values| files.where(key: key).update_all(values) }
      parts.each_with_index { |(key, part), i| files.find_by!(key: key).then { |file| files.create!(kind: "text", path: part.path, key: part.key, part_of: file, above: file, position: i, **ArrivedFile.read(part)) } }
    end
  end

  # What is known of a text only once all are read: what most titles end with, and which links lead nowhere.
  def settle
    titles = files.texts.where(problem: nil).pluck(:path, :title).to_h
    Zuhause::Exchange::CommonEnding.without(heads.slice(*titles.keys)).each { |path, title| files.where(path: path).update_all(title: title) if title && heads[path] == titles[path] }
    tell_apart
    links = ArrivedLinks.new(self)
    files.texts.where(problem: nil).find_each do |file|
      lost = links.follow(file)[1].size
      file.update_columns(losses: file.reports.size + lost) if lost.positive?
    end
  end

  # @return [Array<ArrivedFile>] texts and folders that are to become pages, each after the one it stands below; one whose place is left
  #   out stands below the next above that is not
  def in_order
    there = files.places.light.order(:position, :id).group_by(&:above_id)
    [].tap { |found| walk(there, nil, nil, found) }
  end

  # @return [Hash{String=>Upload}] pictures that came within texts, by their ids
  def pictures_within(ids)
    return {} if ids.empty?

    pictures.includes(:blob).select { |picture| ids.include?(picture.blob.metadata["id"]) }.to_h { |picture| [ picture.blob.metadata["id"], Upload.new(picture.filename.to_s, picture.download) ] }
  end

  # @return [Set<String>] keys of what does not become a page
  def gone
    files.places.where(left_out: true).or(files.places.where.not(problem: nil)).pluck(:key).to_set
  end

  # @return [ArrivalLosses]
  def losses
    ArrivalLosses.new(self)
  end

  # Changes a page beforehand: its title, whether it is left out, its place.
  #
  # @param file [ArrivedFile]
  # @param change [Hash] +title+; +left_out+, "true" or "false", with all below; +above+, a key, or "" for the top, and +before+, the key of
  #   the one that comes after it there
  # @return [Boolean] false, with errors, if it will not do
  def change(file, change)
    transaction do
      next retitle(file, change[:title]) if change[:title]
      next files.where(id: [ file.id, *below(file.id) ]).update_all(left_out: change[:left_out] == "true") && true if change[:left_out]

      change[:above] ? place(file, change[:above], change[:before]) : false
    end
  end

  # Is to be read once more.
  #
  # @param back [Array<String>] numbers of what had been left out of every page and is to come along
  def read_again(back:)
    update!(repeated: repeated.each_with_index.map { |part, i| back.include?(i.to_s) ? part.merge("back" => true) : part })
    update!(before: nil)
    files.where.not(part_of_id: nil).destroy_all
    files.where.not(known_page_id: nil).update_all(known_page_id: nil, page_id: nil, same: false, left_out: false)
    files.texts.update_all(reading: nil, problem: nil)
  end

  # @return [Boolean] whether what was made can still be taken back
  def undoable?
    made_at.present? && undone_at.nil? && made_at > UNDONE.ago && pages.exists?
  end

  # Begins to make pages of what is not left out.
  #
  # @param to [Room, Page]
  # @return [Work]
  def move_in(to, by:, publish:)
    raise Work::Impossible, "gone" if made_at || work&.open? || in_order.empty?

    Work.start(:moving_in, page: (to if to.is_a?(Page)), by: by, total: in_order.size, at_once: in_order.size <= AT_ONCE, to: "#{to.class.name.downcase}:#{to.public_id}", publish: publish) { |work| update!(work: work) }
  end

  # What it was made of is needed no more.
  def made(pages)
    update!(made_at: Time.current)
    files.update_all(survey: nil)
    files.where(same: true, left_out: true).find_each { |file| file.update_columns(reading: before.files.find_by!(path: file.path).reading) } if before
    pages
  end

  # @return [ActiveRecord::Relation<Page>] that became of it and are not in the bin
  def pages
    Page.kept.where(id: files.where(known_page_id: nil).select(:page_id))
  end

  # Of what was made nothing is kept in the end but which file became which page, and what it said: it may come again.
  def slim
    files.where(page_id: nil).destroy_all
    files.with_attached_original.find_each { |file| file.original.purge }
    pictures.each(&:purge)
  end

  # @return [ComingAgain, nil]
  def again
    @again ||= ComingAgain.new(self) if before
  end

  # @param viewer [Viewer]
  # @return [ActiveRecord::Relation<Page>] of these, those that somebody has written since
  def changed_since(viewer)
    pages.seen_by(viewer).where(id: Draft.where(created_at: made_at..).select(:page_id)).order(:id)
  end

  # Takes back all that was made, into the bin, as far as whoever does it may still write it.
  #
  # @return [Integer] pages
  def undo(by:)
    viewer = Viewer.new(by)
    transaction do
      there = pages.to_a
      ids = there.map(&:id).to_set
      tops = there.reject { |page| page.ancestor_ids.any? { |id| ids.include?(id) } }.select { |page| Pundit.policy!(viewer, page).bin? }
      tops.each { |page| page.put_in_bin(by: by) }
      update!(undone_at: Time.current) if tops.any?
      there.size - pages.count
    end
  end

  # Whoever brought it has thought better of it. Nobody meets it any more; what is much goes by and by.
  def drop
    update_columns(created_at: KEPT.ago - 1.minute)
    files.count > SOON ? ForgetArrivalsJob.perform_later : forget
  end

  # Nothing of it stays.
  def forget
    files.in_batches(of: SOON) { |some| transaction { some.each(&:destroy!) } }
    destroy!
  end

  # Puts a text into a draft.
  #
  # @param replace [Boolean] in place of what stands there; else behind it
  # @raise [Zuhause::Document::Invalid] if the page cannot hold it
  def put_into(page, by:, replace:)
    file = files.texts.find_by(problem: nil) or return
    before = replace ? [] : page.draft.document["content"]
    before = [] if before == [ before.first ] && before.first["content"].nil?
    brought = files.where(path: file.shown.values.compact).with_attached_original.index_by(&:path).transform_values { |picture| Upload.new(picture.name, path: picture.lying) }
    within = pictures_within(file.shown.keys)
    stored = file.shown.filter_map { |id, path| (within[id] || brought[path])&.then { |upload| PageFile.prepare(upload, by: by, public_id: id) } }
    transaction do
      stored.each { |picture| picture.keep_on(page) }
      page.save_draft(State.new(title: page.draft.title, document: file.document.merge("content" => before + file.document["content"])), base_version: page.draft.version, by: by)
      Happening.write(:brought_in, page, by: by)
      destroy!
    end
  end

  private

  def walk(there, above, made, found)
    (there[above] || []).each do |file|
      if file.problem || file.left_out then next walk(there, file.id, file.known_page_id && file.problem.nil? ? file.id : made, found)
      elsif file.kind == "folder" && !holds?(there, file) then next
      end

      file.above_id = made
      found << file
      walk(there, file.id, file.id, found)
    end
  end

  def holds?(there, folder)
    (there[folder.id] || []).any? { |file| (file.kind == "text" && file.problem.nil? && !file.left_out) || holds?(there, file) }
  end

  def retitle(file, title)
    problem = Zuhause::Document::Title.problem(Zuhause::Document::Title.clean(title))
    return file.update!(title: title) unless problem

    file.errors.add(:title, problem, count: Zuhause::Document::Title::LENGTH.end)
    false
  end

  def place(file, above, before)
    above = above.empty? ? nil : files.places.light.find_by(key: above)&.id || (return false)
    return false if above && [ file.id, *below(file.id) ].include?(above)

    others = files.places.where(above_id: above).where.not(id: file.id).order(:position, :id).pluck(:id, :key)
    at = others.index { |_id, key| key == before.to_s } || others.size
    ArrivedFile.where(id: file.id).update_all(above_id: above)
    others.map(&:first).insert(at, file.id).each_with_index { |id, i| ArrivedFile.where(id: id).update_all(position: i) }
    true
  end

  # @return [Array<Integer>] ids of all that stand below
  def below(id)
    by_above = files.places.pluck(:above_id, :id).group_by(&:first)
    found, stack = [], [ id ]
    while (each = stack.pop)
      (by_above[each] || []).each { |_above, inner| found << inner && stack << inner }
    end
    found
  end

  # A heading that several begin with is the title of none, where they call themselves otherwise.
  def tell_apart
    own = Zuhause::Exchange::CommonEnding.without(heads.compact)
    files.texts.where(problem: nil, path: own.keys).pluck(:title, :path).group_by(&:first).each_value do |alike|
      paths = alike.map(&:last)
      next if paths.one? || own.values_at(*paths).uniq.size < paths.size

      paths.each { |path| files.where(path: path).update_all(title: Zuhause::Document::Title.clean(own[path]).first(Zuhause::Document::Title::LENGTH.end)) }
    end
  end

  # @return [Hash{String=>String|nil}] what texts call themselves at their head, by their paths
  def heads
    @heads ||= files.texts.where.not(survey: nil).find_each.to_h { |file| [ file.path, file.survey_told["title"] ] }
  end

  # Two files that came by one name are two.
  def free(path, taken)
    path = (1..).lazy.map { |number| number == 1 ? path : path.sub(/(\.[^.\/]*)?\z/) { " #{number}#{Regexp.last_match(1)}" } }.find { |each| taken.add?(each) }
  end

  def row(path, unpack)
    kind = unpack && path.match?(PACKED) && path.exclude?("/") ? "packed" : ArrivedFile.kind_of(path)
    { arrival_id: id, path: path, kind: kind, key: PubliclyIdentified.generate, problem: ("wrong_type" if kind == "other" && !taken?(path)) }
  end

  # Its bytes lie where they are to stay before any row tells of them.
  def blob(path, io)
    io.rewind
    sum, size = OpenSSL::Digest::MD5.new, 0
    while (piece = io.read(1.megabyte))
      sum << piece
      size += piece.bytesize
    end
    io.rewind
    key, checksum = ActiveStorage::Blob.generate_unique_secure_token, sum.base64digest
    ActiveStorage::Blob.service.upload(key, io, checksum: checksum)
    { key: key, filename: File.basename(path), content_type: "application/octet-stream", metadata: "{}", service_name: ActiveStorage::Blob.service.name.to_s, byte_size: size, checksum: checksum, created_at: Time.current }
  end

  def insert(rows)
    blobs = ActiveStorage::Blob.insert_all!(rows.map(&:last), returning: :id).rows.flatten
    made = ArrivedFile.insert_all!(rows.map(&:first), returning: :id).rows.flatten
    ActiveStorage::Attachment.insert_all!(blobs.zip(made).map { |blob, file| { name: "original", record_type: "ArrivedFile", record_id: file, blob_id: blob, created_at: Time.current } })
  end

  def taken?(path)
    FileFit::KINDS.key?(Marcel::MimeType.for(name: path))
  end
end
