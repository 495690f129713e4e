# Settings of house and rooms, and what people and pages collect around the plan. Columns are added by plain SQL: Rails
# would rebuild the tables, which others refer to.
class CreateStructure < ActiveRecord::Migration[7.2]
  def change
    reversible do |direction|
      direction.up do
        execute "ALTER TABLE houses ADD COLUMN bin_days integer NOT NULL DEFAULT 90 CHECK (bin_days BETWEEN 1 AND 3650)"
        execute "ALTER TABLE houses ADD COLUMN front_page_id integer REFERENCES pages (id) ON DELETE SET NULL"
        execute "ALTER TABLE rooms ADD COLUMN archived_at datetime(6)"
        execute "ALTER TABLE rooms ADD COLUMN front_page_id integer REFERENCES pages (id) ON DELETE SET NULL"
      end
      direction.down { raise ActiveRecord::IrreversibleMigration }
    end

    create_table :tags do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :name, null: false, collation: "NOCASE", index: { unique: true }
      t.check_constraint "length(name) BETWEEN 1 AND 40", name: "name_length"
    end

    create_table :taggings do |t|
      t.references :tag, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.index %i[tag_id page_id], unique: true
    end

    create_table :pins do |t|
      t.references :person, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.datetime :created_at, null: false
      t.index %i[person_id page_id], unique: true
    end

    create_table :readings do |t|
      t.references :person, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.integer :times, null: false, default: 1
      t.datetime :read_at, null: false
      t.index %i[person_id page_id], unique: true
      t.index %i[person_id read_at]
      t.index %i[page_id times]
    end

    create_table :signposts do |t|
      t.references :room, null: false, foreign_key: { on_delete: :cascade }
      t.references :parent, foreign_key: { to_table: :pages, on_delete: :cascade }
      t.references :before, foreign_key: { to_table: :pages, on_delete: :nullify }
      t.integer :position, null: false, default: 0
      t.string :kind, null: false
      t.string :title, null: false
      t.string :target
      t.check_constraint "kind IN ('heading', 'link')", name: "known_kind"
      t.check_constraint "(kind = 'link') = (target IS NOT NULL)", name: "links_lead_somewhere"
      t.check_constraint "length(title) BETWEEN 1 AND 200", name: "title_length"
    end
  end
end
