module Zuhause
  module Exchange
    # How the pages that the files of a folder become stand below each other: a file that is called after a folder, or the index or
    # readme in it, stands for the folder, and what lies in it below. Numbers in names count as numbers.
    class FolderTree
      FRONTS = %w[index readme _index home start].freeze # stems, by how well they stand for a folder
      # +path+ of a file, or of a folder that no file stands for, which ends in a slash; +above+: the path it stands below, nil at
      # the top; +depth+ from 0; +name+ without its ending.
      Entry = Struct.new(:path, :above, :depth, :name, keyword_init: true) do
        def folder?
          path.end_with?("/")
        end
      end

      LANGUAGE = /\.[a-z]{2}(?:[-_][a-z]{2,4})?\z/i # in which a file says it is written, before its ending

      # @param path [String] of a file
      # @return [Integer, nil] how well it stands for the folder that it lies in, from 0; nil for one that does not
      def self.front(path)
        FRONTS.index(File.basename(path, ".*").sub(LANGUAGE, "").downcase)
      end

      # @param paths [Array<String>] of files, with slashes between folders
      def initialize(paths)
        @paths = paths
      end

      # @return [Array<Entry>] each after what it stands below
      def entries
        @entries ||= [].tap { |found| top(found) }
      end

      private

      # A folder that holds all there is stands for nothing, and an index of it all stands above the rest.
      def top(found)
        here = ""
        here = "#{folders(here).first}" while files(here).empty? && folders(here).one?
        front = front_in(here)
        return walk(here, nil, 0, found) unless front

        found << entry(front, nil, 0)
        walk(here, front, 1, found)
      end

      def walk(folder, above, depth, found)
        places = (files(folder) - standing(folder)).map { |file| [ file, nil ] } + folders(folder).map { |inner| [ head(inner), inner ] }
        places.sort_by { |path, inner| natural(name(inner || path)) }.each do |path, inner|
          found << entry(path, above, depth)
          walk(inner, path, depth + 1, found) if inner
        end
      end

      # What stands for a folder: a file, or the folder itself.
      def head(folder)
        front_in(folder) || named_after(folder) || folder
      end

      # Files that stand for the folder they are in, or for one beside them.
      def standing(folder)
        [ front_in(folder), *folders(folder).map { |inner| named_after(inner) unless front_in(inner) } ].compact
      end

      def front_in(folder)
        files(folder).select { |file| FolderTree.front(file) }.min_by { |file| [ FolderTree.front(file), file.length ] }
      end

      def named_after(folder)
        files(parent(folder)).find { |file| name(file) == name(folder) }
      end

      def files(folder)
        (@files ||= @paths.group_by { |path| path[%r{\A.*/}].to_s }).fetch(folder, [])
      end

      def folders(folder)
        (@folders ||= @paths.flat_map { |path| path.each_char.with_index.filter_map { |letter, i| path[0..i] if letter == "/" } }.uniq.group_by { |path| parent(path) }).fetch(folder, [])
      end

      def parent(folder)
        folder.delete_suffix("/")[%r{\A.*/}].to_s
      end

      def entry(path, above, depth)
        Entry.new(path: path, above: above, depth: depth, name: name(path))
      end

      def name(path)
        last = path.delete_suffix("/")[%r{[^/]*\z}]
        path.end_with?("/") ? last : last.sub(/(?<=.)\.[^.]*\z/, "")
      end

      def natural(name)
        name.downcase.scan(/\d+|\D+/).map { |part| part.match?(/\d/) ? [ 0, part.to_i, part ] : [ 1, 0, part ] }
      end
    end
  end
end
