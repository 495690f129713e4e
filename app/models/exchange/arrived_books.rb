# Books among the files that somebody brought in: what they say of their order, what they are called, and what in them is no page.
class ArrivedBooks
  # What a book says of itself and of its contents.
  SAYING = "path LIKE '%.opf' OR path LIKE '%.ncx'".freeze

  # @param arrival [Arrival]
  # @param names [Zuhause::Exchange::Names] of all texts
  def initialize(arrival, names = Zuhause::Exchange::Names.new(arrival.files.texts.pluck(:path)))
    @arrival, @names = arrival, names
  end

  # A list for programs tells what no text of contents does.
  #
  # @return [Array<Zuhause::Exchange::Arrangement::Book>]
  def arranged
    @arranged ||= manifests.map do |path, told|
      front = told["contents"] && @names.follow(path, told["contents"])&.first
      list = said["#{folder_of(path)}#{told["list"]}"]&.then { |items| @names.list(path, items["list"] || []) } if told["list"] && front.nil?
      Zuhause::Exchange::Arrangement::Book.new(root: root_of(path), front: front, texts: told["texts"].filter_map { |address| @names.follow(path, address)&.first }, list: list)
    end
  end

  # @param folder [String] ends in a slash
  # @return [String, nil] what the book is called that lies in it
  def title_in(folder)
    manifests.find { |path, _told| root_of(path) == folder }&.then { |_path, told| title_of(told) }
  end

  # Once its texts are read: its contents are called what the book is, and a sheet with nothing on it is no page.
  def settle
    manifests.values.zip(arranged) do |told, book|
      title = title_of(told) || File.basename(book.root).presence
      @arrival.files.where(path: book.front).update_all(title: title) if book.front && title
      @arrival.files.texts.where(path: [ book.front, *book.texts ].compact, problem: nil, words: 0, pictures: 0).update_all(left_out: true)
    end
  end

  private

  # @return [Hash{String=>Hash}] what books say, by the paths of the files in which they do
  def said
    @said ||= @arrival.files.where(SAYING).where.not(survey: nil).order(:path).to_h { |file| [ file.path, file.survey_told ] }
  end

  def manifests
    @manifests ||= said.filter_map { |path, told| [ path, told["manifest"] ] if told["manifest"] }.to_h
  end

  def title_of(told)
    Zuhause::Document::Title.clean(told["title"].to_s).first(Zuhause::Document::Title::LENGTH.end).presence
  end

  # @return [String] the folder in which the book lies that says so of itself
  def root_of(path)
    @roots ||= @arrival.packed_books
    @roots.select { |root| path.start_with?(root) }.max_by(&:length) || folder_of(path)
  end

  def folder_of(path)
    path[%r{\A.*/}].to_s
  end
end
