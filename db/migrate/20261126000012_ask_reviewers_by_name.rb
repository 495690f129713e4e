# Reviewers asked by name, what follows an approval, reminders, and who stands in for whom.
class AskReviewersByName < ActiveRecord::Migration[7.2]
  def change
    change_table :reviews do |t|
      t.string :afterwards, null: false, default: "by_hand"
      t.datetime :publish_at
      t.string :edition_note, null: false, default: ""
      t.datetime :reminded_at
    end
    create_table :review_invitations do |t|
      t.references :review, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.index %i[review_id person_id], unique: true
    end
    add_column :review_rules, :remind_after, :integer
    add_reference :review_approvals, :authority, foreign_key: { to_table: :people, on_delete: :cascade }
    create_table :absences do |t|
      t.references :person, null: false, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.references :deputy, null: false, foreign_key: { to_table: :people, on_delete: :cascade }
      t.date :starts_on, null: false
      t.date :ends_on, null: false
      t.check_constraint "person_id <> deputy_id", name: "absences_of_two"
      t.check_constraint "starts_on <= ends_on", name: "absences_in_order"
    end
    create_table :timed_publications do |t|
      t.references :page, null: false, index: { unique: true }, foreign_key: { on_delete: :cascade }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.references :review, foreign_key: { on_delete: :nullify }
      t.integer :draft_version, null: false
      t.string :title, null: false
      t.string :digest, null: false
      t.string :note, null: false, default: ""
      t.boolean :small, null: false, default: false
      t.datetime :due_at, null: false
      t.string :held_up
      t.datetime :created_at, null: false
      t.index :due_at
    end
    reversible { |way| way.up { VERSIONS.each { |name, event| execute("CREATE TRIGGER versions_#{name} #{event} BEGIN #{RENEW} END;") } } }
  end

  # What waits for whom is kept until something of this changes.
  TABLES = %w[reviews review_approvals review_invitations review_rules review_approvers absences changers].freeze
  VERSIONS = [
    *TABLES.product([ %w[come INSERT], %w[go DELETE], %w[change UPDATE] ]).map { |table, (name, act)| [ "#{table}_#{name}", "AFTER #{act} ON #{table}" ] },
    [ "reviewed_drafts", "AFTER UPDATE OF draft_id ON pages WHEN EXISTS (SELECT 1 FROM reviews WHERE reviews.page_id = new.id AND reviews.closed IS NULL)" ]
  ].freeze
  RENEW = "INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number;".freeze
end
