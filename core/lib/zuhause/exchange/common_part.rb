module Zuhause
  module Exchange
    # What most titles of a manual end with behind a dash or a bar or in brackets, or begin with before one, is its own name, and
    # belongs to none of its pages.
    module CommonPart
      BETWEEN = /\s(?:[-–—|·»]|::)\s/
      ENDING = /#{BETWEEN}(?:(?!#{BETWEEN}).)+\z|\s\((?:[^()]|\([^()]*\))+\)\z/
      BEGINNING = /\A(?:(?!#{BETWEEN}).)+#{BETWEEN}/
      LEAST = 3 # titles that have it

      module_function

      # @param titles [Hash{String=>String|nil}] by the paths of files
      # @return [Hash{String=>String}] the same, each without the ending or the beginning that at least half of those have that lie in one
      #   of its folders, where something is left
      def without(titles)
        endings, beginnings = most(titles, ENDING), most(titles, BEGINNING)
        titles.to_h do |path, title|
          ending, beginning = [ [ endings, :end_with? ], [ beginnings, :start_with? ] ].map { |common, has| of(path, title, common, has) }
          [ path, ending ? title.delete_suffix(ending) : beginning ? title.delete_prefix(beginning) : title ]
        end
      end

      def of(path, title, common, has)
        Repeated.folders(path).filter_map { |folder| common[folder] }.find { |each| title.to_s.public_send(has, each) && title.length > each.length }
      end
      private_class_method :of

      # @return [Hash{String=>String}] by folders
      def most(titles, part)
        counts = Hash.new { |folders, folder| folders[folder] = [ 0, Hash.new(0) ] }
        titles.each do |path, title|
          Repeated.folders(path).each { |folder| counts[folder].then { |count| count[0] += 1; count[1][title[part]] += 1 if title.to_s.match?(part) } }
        end
        counts.filter_map do |folder, (all, parts)|
          part, count = parts.max_by(&:last)
          [ folder, part ] if part && count >= LEAST && count * 2 >= all
        end.to_h
      end
      private_class_method :most
    end
  end
end
