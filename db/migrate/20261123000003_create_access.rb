class CreateAccess < ActiveRecord::Migration[7.2]
  HOLDER = "(holder = 'person' AND person_id IS NOT NULL AND group_id IS NULL) OR " \
           "(holder = 'group' AND group_id IS NOT NULL AND person_id IS NULL) OR " \
           "(holder IN ('everyone', 'anyone') AND person_id IS NULL AND group_id IS NULL)".freeze

  def change
    create_table :access_grants do |t|
      t.references :room, foreign_key: { on_delete: :cascade }, index: false
      t.references :page, foreign_key: { on_delete: :cascade }
      holder t, on_delete: :cascade
      t.timestamps
      t.check_constraint "(room_id IS NULL) <> (page_id IS NULL)", name: "one_place"
      t.index "COALESCE(room_id, 0), COALESCE(page_id, 0), holder, COALESCE(person_id, 0), COALESCE(group_id, 0)",
              unique: true, name: "one_grant_for_each_holder"
    end

    create_table :access_list_entries do |t|
      t.references :access_list, null: false, foreign_key: { on_delete: :cascade }, index: false
      holder t, on_delete: :restrict # a list that lost an entry would no longer be what its digest says
      t.index "access_list_id, holder, COALESCE(person_id, 0), COALESCE(group_id, 0)", unique: true, name: "one_entry_for_each_holder"
      t.index %i[holder level], where: "holder IN ('everyone', 'anyone')", name: "entries_for_all"
    end
  end

  private

  def holder(table, on_delete:)
    table.string :holder, null: false
    table.references :person, foreign_key: { on_delete: on_delete }
    table.references :group, foreign_key: { on_delete: on_delete }
    table.integer :level, null: false
    table.check_constraint HOLDER, name: "holder_is_named"
    table.check_constraint "level BETWEEN 1 AND 4", name: "known_level"
  end
end
