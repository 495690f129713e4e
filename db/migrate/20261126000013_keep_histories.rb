# What is told of editions besides their text: who wrote them, how much changed, who has read them, which were taken back; pages put
# aside; addresses of feeds.
class KeepHistories < ActiveRecord::Migration[7.2]
  def change
    change_table :editions do |t|
      t.integer :words_added
      t.integer :words_removed
    end
    create_table :edition_writers do |t|
      t.references :edition, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.index %i[edition_id person_id], unique: true
    end
    create_table :edition_readings do |t|
      t.references :edition, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.datetime :read_at, null: false
      t.index %i[edition_id person_id], unique: true
    end
    create_table :retractions do |t|
      t.references :edition, null: false, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.references :person, foreign_key: { on_delete: :nullify }
      t.string :reason, null: false
      t.datetime :created_at, null: false
    end
    create_table :attributions do |t|
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.string :stage, null: false
      t.string :digest, null: false
      t.binary :body, null: false
      t.index %i[page_id stage], unique: true
    end
    create_table :put_asides do |t|
      t.references :page, null: false, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.references :person, foreign_key: { on_delete: :nullify }
      t.string :reason, null: false, default: ""
      t.datetime :created_at, null: false
    end
    { come: "INSERT", go: "DELETE" }.each do |name, act|
      reversible do |way|
        way.up do
          execute("CREATE TRIGGER versions_put_asides_#{name} AFTER #{act} ON put_asides BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;")
        end
      end
    end
    add_column :rooms, :editions_thinned_after, :integer
    create_table :feed_keys do |t|
      t.references :person, null: false, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.string :token, null: false, index: { unique: true }
      t.datetime :created_at, null: false
    end
  end
end
