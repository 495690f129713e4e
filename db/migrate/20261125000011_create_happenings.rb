# What happened, in one place: never changed afterwards, but for what lets go of a page, a room or a person that goes. Editions
# and changes of access of before are told of as well.
class CreateHappenings < ActiveRecord::Migration[7.2]
  PORTION = 1000
  NEVER_CHANGED = %w[act subject title details small who created_at].freeze

  def up
    create_tables
    keep_for_good
    tell_of_before
    drop_table :access_events
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def create_tables
    create_table :happenings do |t|
      t.string :act, null: false
      t.references :page, foreign_key: { on_delete: :nullify }, index: false
      t.references :room, foreign_key: { on_delete: :nullify }, index: false
      t.string :subject, null: false
      t.string :title, null: false, default: ""
      t.json :details, null: false, default: {}
      t.boolean :small, null: false, default: false
      t.string :who, null: false, default: ""
      t.datetime :created_at, null: false
      t.index %i[page_id id]
      t.index %i[room_id id]
      t.index :created_at
      t.index %i[act created_at]
    end
    create_table :happening_actors, primary_key: :happening_id do |t|
      t.foreign_key :happenings, on_delete: :cascade
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.string :salt, null: false
    end
    create_table :pending_tellings do |t|
      t.references :happening, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.string :listener, null: false
      t.integer :tries, null: false, default: 0
      t.datetime :due_at, null: false
      t.index %i[happening_id listener], unique: true
      t.index :due_at
    end
    create_table :failed_sign_ins do |t|
      t.datetime :hour, null: false, index: { unique: true }
      t.integer :count, null: false, default: 0
    end
  end

  def keep_for_good
    changed = NEVER_CHANGED.map { |name| "new.#{name} IS NOT old.#{name}" }
    gone = %w[page_id room_id].map { |name| "(new.#{name} IS NOT NULL AND new.#{name} IS NOT old.#{name})" }
    execute(<<~SQL)
      CREATE TRIGGER happenings_never_change BEFORE UPDATE ON happenings WHEN #{(changed + gone).join(" OR ")}
      BEGIN SELECT RAISE(ABORT, 'what happened is never changed'); END;
    SQL
  end

  # In the order of time, editions and changes of access together.
  def tell_of_before
    @people = select_rows("SELECT id, public_id FROM people").to_h
    @groups = select_rows("SELECT id, public_id FROM groups").to_h
    order = select_rows("SELECT published_at, 0, id FROM editions") + select_rows("SELECT created_at, 1, id FROM access_events")
    order.sort_by { |time, kind, id| [ time.to_s, kind, id ] }.each_slice(PORTION) { |slice| tell(slice) }
  end

  def tell(slice)
    editions, events = slice.partition { |_time, kind, _id| kind.zero? }.map { |part| part.map(&:last) }
    rows = edition_rows(editions).merge(event_rows(events))
    slice.each { |_time, kind, id| insert(*rows.fetch([ kind, id ])) }
  end

  def edition_rows(ids)
    sql = "SELECT editions.id, pages.id, pages.room_id, pages.public_id, editions.title, number, note, small, editions.author_id, published_at FROM editions JOIN pages ON pages.id = page_id WHERE editions.id IN (#{ids.join(", ")})"
    select_rows(sql).to_h do |id, page, room, public_id, title, number, note, small, author, at|
      [ [ 0, id ], [ { act: "published", page_id: page, room_id: room, subject: "page:#{public_id}", title: title, details: { edition: number, note: note }, small: small, created_at: at }, author ] ]
    end
  end

  def event_rows(ids)
    sql = <<~SQL
      SELECT access_events.id, act, page_id, access_events.room_id, pages.public_id, rooms.public_id, pages.title, rooms.name, details, actor_id, access_events.created_at
      FROM access_events LEFT JOIN pages ON pages.id = page_id LEFT JOIN rooms ON rooms.id = access_events.room_id WHERE access_events.id IN (#{ids.join(", ")})
    SQL
    select_rows(sql).to_h do |id, act, page, room, page_key, room_key, title, name, details, actor, at|
      details = JSON.parse(details)
      erased = details.delete("page_erased")
      subject = page_key ? "page:#{page_key}" : erased ? "page:" : "room:#{room_key}"
      [ [ 1, id ], [ { act: act, page_id: page, room_id: room, subject: subject, title: title || (erased ? "" : name.to_s), details: named(details), small: false, created_at: at }, actor ] ]
    end
  end

  def named(details)
    details["holder"] = key(details["holder"]) if details["holder"]
    details["people"] = [ key(details.delete("person")).delete_prefix("person:") ] if details["person"]
    details
  end

  def key(holder)
    kind, id = holder.split(":")
    id ? "#{kind}:#{{ "person" => @people, "group" => @groups }.fetch(kind)[id.to_i]}" : kind
  end

  def insert(row, person)
    salt = SecureRandom.hex(8)
    id = @last = @last.to_i + 1
    small = [ 1, true ].include?(row[:small]) ? 1 : 0
    values = row.merge(id: id, details: JSON.generate(row[:details]), small: small, who: Digest::SHA256.hexdigest("#{salt}#{@people.fetch(person)}")[0, 32])
    connection.exec_insert("INSERT INTO happenings (#{values.keys.join(", ")}) VALUES (#{Array.new(values.size, "?").join(", ")})", nil, values.values)
    connection.exec_insert("INSERT INTO happening_actors (happening_id, person_id, salt) VALUES (?, ?, ?)", nil, [ id, person, salt ])
  end
end
