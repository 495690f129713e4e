require "zlib"

# The text of sections lies compressed; the index reads it through a view, and begins of words are kept for three and five
# letters only: the others are found by these, and longer ones as quickly without. Portions are transactions of their own, and
# what was stopped goes on.
class CompressSections < ActiveRecord::Migration[7.2]
  disable_ddl_transaction!

  PORTION = 1000

  def up
    connection.transaction do
      %w[insert delete update].each { |act| connection.execute("DROP TRIGGER IF EXISTS sections_after_#{act}") }
      connection.execute("DROP TABLE IF EXISTS section_index")
    end
    nil while connection.transaction { compress }
    connection.transaction { index_anew }
    connection.execute("VACUUM") unless ActiveRecord.dump_schema_after_migration
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  # @return [Boolean] whether there was a portion to take
  def compress
    rows = connection.select_rows("SELECT id, body FROM sections WHERE typeof(body) = 'text' LIMIT #{PORTION}")
    rows.each { |id, body| connection.update("UPDATE sections SET body = ? WHERE id = ?", nil, [ ActiveModel::Type::Binary::Data.new(Zlib.deflate(body)), id ]) }
    rows.any?
  end

  def index_anew
    connection.execute("CREATE VIEW section_texts AS SELECT id, title, heading, inflated(body) AS body FROM sections")
    connection.execute(<<~SQL)
      CREATE VIRTUAL TABLE section_index USING fts5(title, heading, body, content='section_texts', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='3 5')
    SQL
    connection.execute("INSERT INTO section_index(section_index) VALUES('rebuild')")
    added = "INSERT INTO section_index(rowid, title, heading, body) VALUES (new.id, new.title, new.heading, inflated(new.body));"
    taken = "INSERT INTO section_index(section_index, rowid, title, heading, body) VALUES ('delete', old.id, old.title, old.heading, inflated(old.body));"
    connection.execute("CREATE TRIGGER sections_after_insert AFTER INSERT ON sections BEGIN #{added} END")
    connection.execute("CREATE TRIGGER sections_after_delete AFTER DELETE ON sections BEGIN #{taken} END")
    connection.execute("CREATE TRIGGER sections_after_update AFTER UPDATE OF title, heading, body ON sections BEGIN #{taken} #{added} END")
  end
end
