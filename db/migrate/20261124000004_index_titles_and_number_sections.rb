# Titles get an index of their own, and a section's number tells its page, so that finding needs no row of the large
# table of texts to know who may read what it has found.
class IndexTitlesAndNumberSections < ActiveRecord::Migration[7.2]
  def up
    number_sections
    index_titles
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def number_sections
    %w[insert delete update].each { |act| execute "DROP TRIGGER sections_after_#{act}" }
    execute "DROP TABLE section_index"
    execute "UPDATE sections SET id = -(page_id * 10000 + position)"
    execute "UPDATE sections SET id = -id"
    execute <<~SQL
      CREATE VIRTUAL TABLE section_index USING fts5(
        title, heading, body, content='sections', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='2 3 4 5'
      )
    SQL
    execute "INSERT INTO section_index(section_index) VALUES ('rebuild')"
    follow("sections", "section_index", %w[title heading body])
  end

  def index_titles
    execute <<~SQL
      CREATE VIRTUAL TABLE title_index USING fts5(
        title, content='pages', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='1 2 3 4'
      )
    SQL
    execute "INSERT INTO title_index(title_index) VALUES ('rebuild')"
    follow("pages", "title_index", %w[title])
    execute "CREATE VIRTUAL TABLE title_words USING fts5vocab('title_index', 'row')"
  end

  # An index of another table's words learns of each change by triggers.
  def follow(table, index, columns)
    insert = "INSERT INTO #{index}(rowid, #{columns.join(", ")}) VALUES (new.id, #{columns.map { |c| "new.#{c}" }.join(", ")});"
    delete = "INSERT INTO #{index}(#{index}, rowid, #{columns.join(", ")}) VALUES ('delete', old.id, #{columns.map { |c| "old.#{c}" }.join(", ")});"
    execute "CREATE TRIGGER #{table}_after_insert AFTER INSERT ON #{table} BEGIN #{insert} END"
    execute "CREATE TRIGGER #{table}_after_delete AFTER DELETE ON #{table} BEGIN #{delete} END"
    execute "CREATE TRIGGER #{table}_after_update AFTER UPDATE OF #{columns.join(", ")} ON #{table} BEGIN #{delete} #{insert} END"
  end
end
