# What colleagues say to a page or in a room: notes on its text, proposed words, questions, and what is said to those.
class CreateRemarks < ActiveRecord::Migration[7.2]
  def change
    create_table :remarks do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :kind, null: false
      t.references :page, index: false, foreign_key: { on_delete: :cascade }
      t.references :room, index: false, foreign_key: { on_delete: :cascade }
      t.references :parent, foreign_key: { to_table: :remarks, on_delete: :cascade }
      t.references :author, foreign_key: { to_table: :people, on_delete: :nullify }
      t.text :body, null: false, default: ""
      t.text :words
      t.string :quote
      t.string :origin
      t.boolean :draft, null: false, default: false
      t.string :standing, null: false, default: "open"
      t.integer :helped, null: false, default: 0
      t.references :answer, foreign_key: { to_table: :remarks, on_delete: :nullify }
      t.references :shown_page, foreign_key: { to_table: :pages, on_delete: :cascade }
      t.references :edition, foreign_key: { on_delete: :nullify }
      t.references :settled_by, foreign_key: { to_table: :people, on_delete: :nullify }
      t.datetime :settled_at
      t.datetime :created_at, null: false
      t.datetime :edited_at
      t.datetime :removed_at
      t.index %i[page_id kind standing]
      t.index %i[room_id kind]
      t.index %i[kind standing created_at]
      t.check_constraint "(page_id IS NULL) <> (room_id IS NULL)", name: "remarks_said_to_one"
    end

    create_table :remark_places do |t|
      t.references :remark, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.string :stage, null: false
      t.string :state, null: false, default: "same"
      t.string :block_id, null: false
      t.integer :start
      t.integer :length
      t.string :exact, null: false, default: ""
      t.string :prefix, null: false, default: ""
      t.string :suffix, null: false, default: ""
      t.string :file
      t.integer :x
      t.integer :y
      t.integer :position, null: false, default: 0
      t.json :candidates
      t.index %i[remark_id stage], unique: true
    end

    create_table :voices do |t|
      t.references :remark, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.string :kind, null: false
      t.datetime :created_at, null: false
      t.index %i[remark_id person_id], unique: true
    end
  end
end
