# By when pages are to be checked, who confirmed them, what is out of date, whether a page helped, and going through a room.
class TellWhetherPagesAreStillTrue < ActiveRecord::Migration[7.2]
  # What leads where, as far as others than writers know.
  LINKED = {
    "references_come" => "INSERT ON \"references\" WHEN new.stage <> 'draft'", "references_go" => "DELETE ON \"references\" WHEN old.stage <> 'draft'", "references_change" => "UPDATE ON \"references\" WHEN new.stage <> 'draft'",
    "promises_come" => "INSERT ON promises", "promises_go" => "DELETE ON promises", "promises_change" => "UPDATE ON promises", "templates_come" => "INSERT ON templates", "templates_go" => "DELETE ON templates"
  }.freeze

  def up
    checking
    answering
    touring
    add_index :readings, %i[page_id read_at]
    # What is shown live and what is cited is little of all that texts point to.
    %w[insert cite].each { |use| execute "CREATE INDEX index_references_#{use}s ON \"references\" (target_id, page_id) WHERE \"use\" = '#{use}' AND stage = 'edition'" }
    execute "CREATE INDEX index_editions_not_small ON editions (page_id, published_at) WHERE NOT small"
    LINKED.each { |name, at| execute "CREATE TRIGGER versions_#{name} AFTER #{at} BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END" }
    execute "ALTER TABLE news_settings ADD COLUMN desk_letter boolean NOT NULL DEFAULT 1"
    execute "ALTER TABLE news_settings ADD COLUMN desk_letter_at datetime(6)"
    # Of a filled house: what stands is what was published last, or else first of all; its texts are read by the job.
    execute <<~SQL
      INSERT INTO check_dates (page_id, base_at, since)
      SELECT id, base_at, date(base_at) FROM (
        SELECT id, COALESCE((SELECT MAX(published_at) FROM editions WHERE editions.page_id = pages.id AND NOT small), (SELECT MIN(published_at) FROM editions WHERE editions.page_id = pages.id)) AS base_at
        FROM pages WHERE edition_id IS NOT NULL)
    SQL
  end

  def down
    execute "ALTER TABLE news_settings DROP COLUMN desk_letter_at"
    execute "ALTER TABLE news_settings DROP COLUMN desk_letter"
    execute "DROP INDEX index_editions_not_small"
    LINKED.each_key { |name| execute "DROP TRIGGER versions_#{name}" }
    %w[insert cite].each { |use| execute "DROP INDEX index_references_#{use}s" }
    remove_index :readings, %i[page_id read_at]
    %i[tour_stops tours help_answers text_dates out_of_date_marks check_dates checks check_rules].each { |table| drop_table table }
  end

  private

  def checking
    create_table :check_rules do |t|
      t.references :page, foreign_key: { on_delete: :cascade }, index: { unique: true, where: "page_id IS NOT NULL" }
      t.references :room, foreign_key: { on_delete: :cascade }, index: { unique: true, where: "room_id IS NOT NULL" }
      t.integer :months
      t.datetime :created_at, null: false
      t.check_constraint "(page_id IS NULL) <> (room_id IS NULL)", name: "of_one_place"
      t.check_constraint "months IS NULL OR months BETWEEN 1 AND 120", name: "some_months"
    end
    create_table :checks do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :person, foreign_key: { on_delete: :nullify }
      t.integer :edition, null: false
      t.string :note, null: false, default: ""
      t.datetime :checked_at, null: false
      t.datetime :base_before, null: false
      t.index %i[page_id checked_at]
    end
    create_table :check_dates, id: false do |t|
      t.integer :page_id, null: false, primary_key: true
      t.datetime :base_at, null: false
      t.date :since, null: false
      t.integer :months
      t.date :due_on
      t.string :told
      t.boolean :days_read, null: false, default: false
      t.index :due_on, where: "due_on IS NOT NULL"
      t.index :days_read, where: "NOT days_read"
      t.foreign_key :pages, on_delete: :cascade
    end
    create_table :out_of_date_marks do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: { unique: true }
      t.references :person, foreign_key: { on_delete: :nullify }
      t.references :see, foreign_key: { to_table: :pages, on_delete: :nullify }
      t.string :words, null: false, default: ""
      t.datetime :created_at, null: false
    end
  end

  def answering
    create_table :text_dates do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.date :day, null: false
      t.string :block_id, null: false
      t.string :words, null: false
      t.index %i[page_id day]
      t.index :day
    end
    create_table :help_answers do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.boolean :helped, null: false
      t.string :words, null: false, default: ""
      t.datetime :created_at, null: false
      t.datetime :seen_at
      t.index %i[page_id person_id], unique: true
    end
    add_index :help_answers, :created_at, where: "NOT helped AND seen_at IS NULL", name: "index_help_answers_waiting"
  end

  def touring
    create_table :tours do |t|
      t.references :room, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.references :page, foreign_key: { on_delete: :nullify }
      t.datetime :begun_at, null: false
      t.datetime :ended_at
      t.index %i[room_id person_id], unique: true, where: "ended_at IS NULL", name: "index_tours_going_on"
    end
    create_table :tour_stops do |t|
      t.references :tour, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.string :said, null: false
      t.datetime :said_at, null: false
      t.index %i[tour_id page_id], unique: true
    end
  end
end
