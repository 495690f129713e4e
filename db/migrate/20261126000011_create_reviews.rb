# Looking over before publishing: what a place asks for, reviews that were asked for, approvals, and whose changes a draft holds.
class CreateReviews < ActiveRecord::Migration[7.2]
  def change
    create_table :review_rules do |t|
      t.references :page, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.references :room, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.integer :needed, null: false, default: 1
      t.boolean :own, null: false, default: false
      t.boolean :small, null: false, default: false
      t.string :prompt, null: false, default: ""
      t.check_constraint "(page_id IS NULL) <> (room_id IS NULL)", name: "review_rules_of_one"
    end
    create_table :review_approvers do |t|
      t.references :review_rule, null: false, foreign_key: { on_delete: :cascade }
      t.references :person, foreign_key: { on_delete: :cascade }
      t.references :group, foreign_key: { on_delete: :cascade }
      t.check_constraint "(person_id IS NULL) <> (group_id IS NULL)", name: "review_approvers_are_one"
    end
    create_table :reviews do |t|
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :asker, foreign_key: { to_table: :people, on_delete: :nullify }
      t.references :closed_by, foreign_key: { to_table: :people, on_delete: :nullify }
      t.references :edition, foreign_key: { on_delete: :nullify }
      t.string :note, null: false, default: ""
      t.string :reason, null: false, default: ""
      t.string :closed
      t.datetime :asked_at, null: false
      t.datetime :closed_at
      t.index %i[page_id id]
      t.index :page_id, unique: true, where: "closed IS NULL", name: "reviews_one_open"
    end
    create_table :review_approvals do |t|
      t.references :review, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.string :digest, null: false
      t.datetime :created_at, null: false
      t.index %i[review_id person_id], unique: true
    end
    add_column :editions, :reviewed, :boolean, null: false, default: false
    create_table :changers do |t|
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.index %i[page_id person_id], unique: true
    end
    reversible { |way| way.up { execute(CHANGERS) } }
  end

  # Whose changes drafts hold now, as far as their states are still there.
  CHANGERS = <<~SQL.freeze
    INSERT INTO changers (page_id, person_id)
    SELECT DISTINCT drafts.page_id, drafts.author_id FROM drafts JOIN pages ON pages.id = drafts.page_id LEFT JOIN editions ON editions.id = pages.edition_id
    WHERE drafts.version > COALESCE(editions.draft_version, 0) OR (editions.id IS NOT NULL AND editions.draft_version IS NULL)
  SQL
end
