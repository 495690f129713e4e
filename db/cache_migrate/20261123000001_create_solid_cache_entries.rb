class CreateSolidCacheEntries < ActiveRecord::Migration[7.2]
  def change
    create_table :solid_cache_entries do |t|
      t.binary :key, limit: 1024, null: false
      t.binary :value, limit: 512.megabytes, null: false
      t.datetime :created_at, null: false
      t.integer :key_hash, limit: 8, null: false, index: { unique: true }
      t.integer :byte_size, limit: 4, null: false, index: true
      t.index %i[key_hash byte_size]
    end
  end
end
