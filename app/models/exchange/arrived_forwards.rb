# Files that only lead on to another one, such as are left where a page was before, and the second of two that are the same. They
# become no pages; what leads to them leads on.
class ArrivedForwards
  MOST = 10 # on the way
  LEAST = 200 # bytes of what may be a copy: short ones may well say the same

  # @param files [ActiveRecord::Relation<ArrivedFile>] of one arrival
  # @param names [Zuhause::Exchange::Names, nil] of all that came
  def initialize(files, names = nil)
    @files, @names = files, names
  end

  # Of HTML that lies twice in a folder, what does not stand for it leads on to what does.
  def mark_copies
    made = @files.select { |file| file.path.match?(Zuhause::Exchange::Sources::MADE) && file.original.byte_size >= LEAST }
    made.group_by { |file| [ File.dirname(file.path), file.original.checksum ] }.each_value do |same|
      first, *copies = same.sort_by { |file| [ Zuhause::Exchange::FolderTree.front(file.path) || Float::INFINITY, file.path ] }
      @files.where(id: copies.map(&:id), leads_on: nil).update_all(leads_on: ERB::Util.url_encode(first.name)) if copies.any?
    end
  end

  def settle
    leading = @files.where(known_page_id: nil).where.not(leads_on: nil).pluck(:path, :id).to_h
    @files.where(id: leading.filter_map { |path, id| id if on(path) }).update_all(left_out: true)
  end

  # @param path [String]
  # @return [Array(String, String|nil), nil] the path of what it leads to in the end, and the place in that; nil for what leads on to
  #   nothing that came
  def on(path)
    place = nil
    MOST.times do
      address = addresses[path] or return [ path, place ]
      path, place = names.follow(path, address)
      return unless path
    end
    nil
  end

  # @return [Boolean]
  def leads_on?(path)
    addresses.key?(path)
  end

  private

  def addresses
    @addresses ||= @files.where.not(leads_on: nil).pluck(:path, :leads_on).to_h
  end

  def names
    @names ||= Zuhause::Exchange::Names.new(@files.pluck(:path))
  end
end
