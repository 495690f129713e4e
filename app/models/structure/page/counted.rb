# How many pages stand below others, for many at once.
module Page::Counted
  extend ActiveSupport::Concern

  class_methods do
    # Ancestry is a path of ids such as "/3/17/"; "0" is the character that follows "/".
    #
    # @param ids [Array<Integer>]
    # @param among [ActiveRecord::Relation<Page>] only those are counted
    # @return [Hash{Integer=>Integer}] by the id of the page above
    def counts_below(ids, among:)
      return {} if ids.empty?

      below = among.merge(by_ancestry).where("pages.ancestry >= above.ancestry || above.id || '/' AND pages.ancestry < above.ancestry || above.id || '0'").select("COUNT(*)")
      unscoped.from("pages AS above").where("above.id IN (?)", ids).pluck(Arel.sql("above.id"), Arel.sql("(#{below.to_sql})")).to_h
    end
  end
end
