module Zuhause
  module Exchange
    # How the pages that files become stand below each other, told by what knows best: lists of contents, what a page says stands
    # above it and after it, and the folders they lie in ({FolderTree}).
    class Arrangement
      # What one file tells: +lists+ of contents are arrays of depth, path and place in that, which is nil for the whole; +bars+ are
      # those in what stands on every page of a folder, each with that: a page may show it with another part unfolded; +up+,
      # +before+ and +after+ are paths, nil where it tells none; +on+: whether it only leads on to another.
      Told = Struct.new(:lists, :bars, :up, :before, :after, :on, keyword_init: true)
      # A book: +root+, the folder that it lies in, ends in a slash, and is empty for the whole; +front+: the path of its contents, nil
      # where it has none; +texts+: paths in the order in which they are read; +list+ of contents, as of {Told}, apart from any text.
      Book = Struct.new(:root, :front, :texts, :list, keyword_init: true)
      LEAST = 3 # files that a list of contents tells of, besides those beside the one that has it
      MANY = 3 # holders; what more have belongs to none of them

      # @param paths [Array<String>]
      # @param told [Hash{String=>Told}] by paths
      # @param books [Array<Book>]
      def initialize(paths, told: {}, books: [])
        @paths = paths
        @told = told
        @books = books
      end

      # @return [Array<FolderTree::Entry>] each after what it stands below
      def entries
        @entries ||= [].tap { |found| hang(nil, 0, found) }
      end

      private

      def tree
        @tree ||= FolderTree.new(@paths).entries
      end

      def hang(above, depth, found)
        (children[above] || []).each do |path|
          entry = by_path.fetch(path)
          next if entry.folder? && empty?(path)

          found << FolderTree::Entry.new(path: path, above: above, depth: depth, name: entry.name)
          hang(path, depth + 1, found)
        end
      end

      def empty?(path)
        (children[path] || []).all? { |inner| by_path.fetch(inner).folder? && empty?(inner) }
      end

      def by_path
        @by_path ||= tree.to_h { |entry| [ entry.path, entry ] }
      end

      # @return [Hash{String|nil=>Array<String>}]
      def children
        @children ||= begin
          place
          tree.map(&:path).each_with_index.group_by { |path, _i| @above[path] }
              .transform_values { |paths| paths.sort_by { |path, i| rank(path, i) }.map(&:first) }
        end
      end

      # Those that a list has come in its order, before others; those that follow one another in that.
      def rank(path, i)
        listed = @order[path]
        listed ? [ 0, listed, 0, i ] : [ 1, *(run[path] || [ Float::INFINITY, 0 ]), i ]
      end

      def place
        @above = tree.to_h { |entry| [ entry.path, entry.above ] }
        @order = {}
        places = @books.map { |book| bind(book) }
        @tops = tree.select { |entry| entry.above.nil? }.map(&:path)
        @tops = [] unless @tops.one? && !by_path.fetch(@tops.first).folder?
        [ *lists, *@books.map(&:list).zip(places).filter_map { |list, place| [ place, list ] if list } ].each_with_index { |(holder, items), i| follow(holder, items, (i + 1) * 100_000) }
        @told.each { |path, told| move(path, told.up) if told.up && !@listed.include?(path) }
      end

      # A book's texts stand below its contents, or in its folder, whatever folders it has within.
      #
      # @return [String, nil] the path below which they stand
      def bind(book)
        texts = book.texts.select { |path| by_path.key?(path) }
        texts.each_with_index { |path, i| @order[path] = i }
        place = head_of(book.root)
        place = by_path.fetch(place).above while texts.include?(place)
        if by_path.key?(book.front) && put(book.front, place == book.root ? by_path.fetch(place).above : place)
          place = book.front
        end
        (texts - [ book.front ]).each { |path| put(path, place) }
        place
      end

      # @param folder [String] ends in a slash, or is empty
      # @return [String, nil] what stands for it: a text in it or beside it, or the folder
      def head_of(folder)
        inside = (@inside ||= tree.group_by { |entry| entry.path[%r{\A(?:.*/)?(?=[^/]+/?\z)}] }).fetch(folder, [])
        above = inside.to_set(&:above)
        (inside.find { |entry| above.include?(entry.path) } || inside.first&.then { |entry| by_path[entry.above] })&.path
      end

      # @return [Boolean] whether it can stand there, and does
      def put(path, above)
        return false if path == above || (above && under?(above, path))

        @above[path] = above
        true
      end

      # Those that tell of most first, each once: one that stands on many pages is that of the whole.
      def lists
        @listed = Set.new
        own = held(:lists).map { |items, holders| [ holders.size > MANY ? head_of(common(holders)) : holders.first, items ] }
        [ *bars, *own.sort_by.with_index { |(_holder, items), i| [ -files(items), i ] } ]
      end

      # They belong to what stands for the folder, in the order in which a page has them.
      def bars
        held(:bars).group_by { |(folder, _items), _holders| folder }.flat_map do |_folder, all|
          place = head_of(common(all.flat_map(&:last)))
          all.sort_by.with_index { |(list, holders), i| [ @told.fetch(holders.first).bars.index(list), -files(list.last), i ] }.map { |(_folder, items), _holders| [ place, items ] }
        end
      end

      # @param sort [Symbol] :lists or :bars
      # @return [Hash{Array=>Array<String>}] those that tell of enough, with the files that have them
      def held(sort)
        @told.each_with_object({}) do |(holder, told), found|
          beside = [ nil, holder, told.up, told.before, told.after, *@tops ]
          told[sort].to_a.each { |list| (found[list] ||= []) << holder if ((sort == :bars ? list.last : list).map { |item| item[1] }.uniq - beside).size >= LEAST }
        end
      end

      # @return [String] the innermost folder that all lie in
      def common(paths)
        one, other = paths.minmax.map { |path| path.split("/")[0...-1] }
        one.zip(other).take_while { |a, b| a == b }.map { |name, _same| "#{name}/" }.join
      end

      def pages
        @pages ||= @paths.size - @told.each_value.count(&:on)
      end

      def files(items)
        items.map { |item| item[1] }.compact.uniq.size
      end

      def follow(holder, items, order)
        above = [ holder ] # by depth
        whole = files(items) * 2 >= pages
        items.each_with_index do |(depth, path, place), i|
          above = above.first(depth + 1)
          above << above.last while above.size <= depth
          next above << above.last unless path && by_path.key?(path) && path != holder && !above.include?(path)

          @order[path] = order + i if (place.nil? || whole) && (whole || !at_home?(path, holder)) && @listed.add?(path) && move(path, above.last)
          above << path
        end
      end

      # What tells of a few that lie all over leaves each where a text stands for its folder.
      def at_home?(path, holder)
        front = by_path.fetch(path).above
        front && !by_path.fetch(front).folder? && holder != front && by_path[holder]&.above != front && !@tops.include?(front)
      end

      # @return [Boolean] whether it can stand there
      def move(path, above)
        return above.nil? if @tops.include?(path) || above.nil?

        by_path.key?(above) && put(path, above)
      end

      def under?(path, other)
        while (path = @above[path])
          return true if path == other
        end
        false
      end

      # Several may be followed by the same one: the last of those below a page, and the page itself.
      #
      # @return [Hash{String=>Array<Integer>}] places in runs of those of which each says what comes after it: by how far it is to the end
      def run
        @run ||= begin
          after = @told.filter_map { |path, told| [ path, told.after ] if told.after && by_path.key?(told.after) }.to_h
          @told.each_key.with_object({}) do |path, known|
            way = Set.new
            path = after[path] while path && !known.key?(path) && way.add?(path)
            ending, far = known[path] || [ known.size, 1 ]
            way.reverse_each { |each| known[each] = [ ending, far -= 1 ] }
          end.slice(*after.keys, *after.values)
        end
      end
    end
  end
end
