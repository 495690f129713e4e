# Who follows what; what each has been told, once for each happening; and how they want it by mail.
class TellPeople < ActiveRecord::Migration[7.2]
  def change
    create_table :follows do |t|
      t.references :person, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :page, foreign_key: { on_delete: :cascade }
      t.references :room, foreign_key: { on_delete: :cascade }
      t.references :tag, foreign_key: { on_delete: :cascade }
      t.references :kept_search, foreign_key: { on_delete: :cascade }
      t.boolean :below, null: false, default: false
      t.boolean :stopped, null: false, default: false
      t.datetime :created_at, null: false
      %i[page room tag kept_search].each { |of| t.index [ :person_id, :"#{of}_id" ], unique: true, where: "#{of}_id IS NOT NULL" }
      t.check_constraint "(page_id IS NOT NULL) + (room_id IS NOT NULL) + (tag_id IS NOT NULL) + (kept_search_id IS NOT NULL) = 1", name: "follows_one_thing"
    end
    create_table :tellings do |t|
      t.references :happening, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :person, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :page, foreign_key: { on_delete: :cascade }, index: false
      t.references :room, foreign_key: { on_delete: :cascade }, index: false
      t.integer :place, null: false
      t.boolean :personal, null: false
      t.datetime :happened_at, null: false
      t.string :reason, null: false
      t.string :sight, null: false, default: "edition"
      t.datetime :created_at, null: false
      t.datetime :seen_at
      t.datetime :mail_at
      t.datetime :mailed_at
      t.index [ :happening_id, :person_id ], unique: true
      t.index [ :person_id, :page_id ], where: "seen_at IS NULL", name: "index_tellings_unseen"
      t.index [ :person_id, :happened_at ]
      t.index :page_id
      t.index :room_id
      t.index :mail_at, where: "mailed_at IS NULL AND mail_at IS NOT NULL", name: "index_tellings_to_mail"
    end
    create_table :news_settings do |t|
      t.references :person, null: false, foreign_key: { on_delete: :cascade }, index: { unique: true }
      t.json :ways, null: false, default: {}
      t.integer :quiet_from
      t.integer :quiet_until
      t.integer :letter_hour, null: false, default: 7
      t.integer :letter_day, null: false, default: 1
      t.boolean :follows_own, null: false, default: true
    end
  end
end
