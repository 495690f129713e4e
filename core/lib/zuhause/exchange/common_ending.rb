module Zuhause
  module Exchange
    # What most titles of a manual end with behind a dash or a bar is its own name, and belongs to none of its pages.
    module CommonEnding
      BETWEEN = /\s(?:[-–—|·»]|::)\s/
      ENDING = /#{BETWEEN}(?:(?!#{BETWEEN}).)+\z/
      LEAST = 3 # titles that have it

      module_function

      # @param titles [Hash{String=>String|nil}] by the paths of files
      # @return [Hash{String=>String}] the same, each without the ending that at least half of those have that lie in one of its folders,
      #   where something is left
      def without(titles)
        endings = endings(titles)
        titles.to_h do |path, title|
          ending = Repeated.folders(path).filter_map { |folder| endings[folder] }.find { |each| title.to_s.end_with?(each) && title.length > each.length }
          [ path, ending ? title.delete_suffix(ending) : title ]
        end
      end

      # @return [Hash{String=>String}] by folders
      def endings(titles)
        counts = Hash.new { |folders, folder| folders[folder] = [ 0, Hash.new(0) ] }
        titles.each do |path, title|
          Repeated.folders(path).each { |folder| counts[folder].then { |count| count[0] += 1; count[1][title[ENDING]] += 1 if title.to_s.match?(ENDING) } }
        end
        counts.filter_map do |folder, (all, endings)|
          ending, count = endings.max_by(&:last)
          [ folder, ending ] if ending && count >= LEAST && count * 2 >= all
        end.to_h
      end
      private_class_method :endings
    end
  end
end
