# Who has a page open for writing, and since when, so that colleagues are told before they type.
class CreatePageWriters < ActiveRecord::Migration[7.2]
  def change
    create_table :page_writers do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.datetime :since, null: false
      t.datetime :seen_at, null: false
      t.index %i[page_id person_id], unique: true
    end
  end
end
