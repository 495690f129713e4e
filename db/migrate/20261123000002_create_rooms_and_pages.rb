class CreateRoomsAndPages < ActiveRecord::Migration[7.2]
  def change
    create_table :access_lists do |t|
      t.string :digest, null: false, index: { unique: true }
    end

    create_table :rooms do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :name, null: false, collation: "NOCASE"
      t.string :description, null: false, default: ""
      t.string :colour, null: false
      t.integer :position, null: false
      t.references :access_list, null: false, foreign_key: true
      t.timestamps
    end

    create_table :pages do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.references :room, null: false, foreign_key: true, index: false
      t.string :ancestry, null: false, collation: "BINARY"
      t.integer :position, null: false
      t.string :title, null: false
      t.boolean :own_list, null: false, default: false
      t.references :access_list, null: false, foreign_key: true
      t.references :author, null: false, foreign_key: { to_table: :people }
      t.bigint :draft_id
      t.bigint :edition_id
      t.timestamps
      t.index :ancestry
      t.index %i[room_id ancestry position], unique: true
      t.check_constraint "length(title) BETWEEN 1 AND 200", name: "title_length"
    end

    create_table :drafts do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.integer :version
      t.integer :base_version, null: false
      t.string :save_id, null: false
      t.string :title, null: false
      t.json :document, null: false
      t.json :new_ids, null: false
      t.references :author, null: false, foreign_key: { to_table: :people }
      t.datetime :created_at, null: false
      t.index %i[page_id version], unique: true
      t.index %i[page_id author_id save_id], unique: true
    end

    create_table :editions do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.integer :number, null: false
      t.integer :draft_version
      t.string :title, null: false
      t.json :document, null: false
      t.references :author, null: false, foreign_key: { to_table: :people }
      t.string :note, null: false, default: ""
      t.boolean :small, null: false, default: false
      t.datetime :published_at, null: false, index: true
      t.index %i[page_id number], unique: true
    end

    add_foreign_key :pages, :drafts, deferrable: :deferred
    add_foreign_key :pages, :editions, deferrable: :deferred
  end
end
