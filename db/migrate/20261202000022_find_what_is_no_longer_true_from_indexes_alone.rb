# The maintenance desk asks for thousands of pages by what is no longer true of them: each row is told from an index, without being read.
class FindWhatIsNoLongerTrueFromIndexesAlone < ActiveRecord::Migration[7.2]
  USES = { inserts: "insert", cites: "cite" }.freeze
  BEFORE, NOW = "target_id, page_id", "target_id, page_id, target_kind, \"use\", stage"
  private_constant :BEFORE, :NOW

  def up
    of_uses(NOW)
    add_index :check_dates, :base_at
    remove_index :text_dates, :day
    add_index :text_dates, %i[day page_id]
  end

  def down
    of_uses(BEFORE)
    remove_index :check_dates, :base_at
    remove_index :text_dates, %i[day page_id]
    add_index :text_dates, :day
  end

  private

  def of_uses(columns)
    USES.each do |name, use|
      execute("DROP INDEX index_references_#{name}")
      execute("CREATE INDEX index_references_#{name} ON \"references\" (#{columns}) WHERE \"use\" = '#{use}' AND stage = 'edition'")
    end
  end
end
