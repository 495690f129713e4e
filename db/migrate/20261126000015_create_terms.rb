# The house's term list: words, what they mean, and other words that mean the same.
class CreateTerms < ActiveRecord::Migration[7.2]
  def change
    create_table :terms do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :name, null: false
      t.string :meaning, null: false, default: ""
      t.json :others, null: false, default: []
      t.string :language
      t.references :person, foreign_key: { on_delete: :nullify }
      t.timestamps
    end
  end
end
