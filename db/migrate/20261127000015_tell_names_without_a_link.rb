# By which names pages are known, and where those stand in texts without a link.
class TellNamesWithoutALink < ActiveRecord::Migration[7.2]
  def up
    create_table :known_names do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.string :name, null: false
      t.string :rules, null: false, default: ""
      t.string :first, null: false
      t.boolean :looked_for, null: false, default: false
      t.index %i[rules first]
      t.index :looked_for, where: "NOT looked_for"
    end
    create_table :unlinked_names do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :target, null: false, foreign_key: { to_table: :pages, on_delete: :cascade }
      t.string :block_id, null: false
      t.integer :start, null: false
      t.integer :length, null: false
      t.boolean :drafted, null: false, default: false
      t.index %i[page_id block_id start length target_id], unique: true, name: "index_unlinked_names_places"
    end
    create_table :names_read, id: false do |t|
      t.integer :page_id, null: false, primary_key: true
      t.integer :edition_id, null: false
      t.foreign_key :pages, on_delete: :cascade
    end
    # Of a filled house: titles are written down here, the texts are read by the job.
    say_with_time("titles") { up_titles }
  end

  def down
    %i[names_read unlinked_names known_names].each { |table| drop_table table }
  end

  private

  def up_titles
    pages = Class.new(ActiveRecord::Base) { self.table_name = "pages" }
    pages.where(bin_root_id: nil).in_batches(of: 1000) do |some|
      rows = some.pluck(:id, :title).flat_map { |id, title| rows_of(id, title) }
      execute "INSERT INTO known_names (page_id, name, rules, first) VALUES #{rows.map { |row| "(#{row.map { |value| connection.quote(value) }.join(",")})" }.join(",")}" if rows.any?
    end
  end

  def rows_of(id, title)
    [ nil, *Zuhause::Links::Promised::LANGUAGES ].filter_map { |rules| (first = Zuhause::Links::Names.keys(title, rules).first) && [ id, title, rules.to_s, first ] }
  end
end
