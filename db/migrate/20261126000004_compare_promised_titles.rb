# Promised titles are compared whatever their hyphens, accents and plurals; of several pages that one could mean, somebody
# may choose one. What a row was written as is kept, so that it can be worked out anew when titles are compared otherwise.
class ComparePromisedTitles < ActiveRecord::Migration[7.2]
  def up
    add_column :promises, :wording, :string, null: false, default: ""
    add_column :promises, :chosen, :boolean, null: false, default: false
    add_index :promises, :title, unique: true, where: "chosen", name: "index_promises_on_chosen_title"
    select_rows("SELECT id, title, page_id FROM promises ORDER BY id").each { |id, title, page| compare(id, title, page) }
  end

  def down
    remove_index :promises, name: "index_promises_on_chosen_title"
    remove_column :promises, :chosen
    remove_column :promises, :wording
  end

  private

  def compare(id, title, page)
    key = connection.quote(Zuhause::Links::Promised.key(title))
    execute("UPDATE OR IGNORE promises SET title = #{key}, wording = #{connection.quote(title)} WHERE id = #{id}")
    execute("DELETE FROM promises WHERE id = #{id} AND title <> #{key}") # another of the page says the same
  end
end
