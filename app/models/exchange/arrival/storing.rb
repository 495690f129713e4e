# Files as they came, and what was read of them, are kept.
module Arrival::Storing
  # Keeps files as they are, all of them or none.
  #
  # @param sent [Enumerable<Array(String, IO)>] where each lay, and what it holds
  # @param unpack [Symbol, nil] what is to be unpacked: :all, :books, or nothing
  # @raise [Arrival::Full]
  def keep(sent, unpack: :all)
    most = Arrival.largest_whole
    taken, bytes = files.pluck(:path).to_set, files.joins(original_attachment: :blob).sum(:byte_size)
    rows = sent.map do |path, io|
      raise Arrival::Full, "many" if taken.size >= Arrival::MOST
      raise Arrival::Full, "large" if (bytes += io.size) > most

      path = free(Zuhause::Document::Normal.clean(path.to_s.tr("\\", "/")).delete_prefix("./"), taken)
      [ row(path, unpack), blob(path, io) ]
    end.to_a
    transaction { insert(rows) } if rows.any?
  end

  # Folders that came packed.
  def packed
    files.where(kind: "packed").with_attached_original
  end

  # @return [Array<String>] folders into which books were unpacked, each with a slash at its end; empty for one that came alone
  def packed_books
    packed.pluck(:path).grep(Arrival::BOOK).map { |path| path == work&.details&.[]("alone") ? "" : "#{path.sub(Arrival::PACKED, "")}/" }
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

  # @return [Hash{String=>Upload}] pictures that came within texts, by their ids
  def pictures_within(ids)
    return {} if ids.empty?

    blobs = ActiveStorage::Blob.where(id: within.values_at(*ids).compact)
    blobs.to_h { |blob| [ blob.metadata["id"], Upload.new(blob.filename.to_s, path: blob.service.path_for(blob.key)) ] }
  end

  private

  # @return [Hash{String=>Integer}] blobs of pictures that came within texts, by the ids that stand there
  def within
    @within ||= pictures.includes(:blob).to_h { |picture| [ picture.blob.metadata["id"], picture.blob_id ] }
  end

  # Two files that came by one name are two.
  def free(path, taken)
    path = (1..).lazy.map { |number| number == 1 ? path : path.sub(/(\.[^.\/]*)?\z/) { " #{number}#{Regexp.last_match(1)}" } }.find { |each| taken.add?(each) }
  end

  def row(path, unpack)
    kind = packed?(path, unpack) ? "packed" : ArrivedFile.kind_of(path)
    { arrival_id: id, path: path, kind: kind, key: PubliclyIdentified.generate, problem: ("wrong_type" if kind == "other" && !taken?(path)) }
  end

  # A folder that is packed, and a book wherever it lies.
  def packed?(path, unpack)
    path.match?(Arrival::BOOK) ? !unpack.nil? : unpack == :all && path.match?(Arrival::PACKED) && path.exclude?("/")
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
