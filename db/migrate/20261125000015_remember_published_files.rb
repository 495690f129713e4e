# Whoever may see an edition may see what stands in it, however old it is: a file remembers that it has been published.
class RememberPublishedFiles < ActiveRecord::Migration[7.2]
  PORTION = 200

  def up
    add_column :page_files, :published, :boolean, null: false, default: false
    pages = select_values("SELECT DISTINCT page_id FROM page_files")
    pages.each_slice(PORTION) { |ids| ids.each { |id| mark(id) } }
  end

  def down
    remove_column :page_files, :published
  end

  private

  def mark(page_id)
    texts = connection.select_values("SELECT DISTINCT body FROM editions JOIN texts USING (page_id, digest) WHERE page_id = #{page_id}")
    ids = texts.flat_map { |body| Zlib.inflate(body).scan(/"file":"([a-z0-9]{10})"/) }.flatten.uniq
    connection.execute("UPDATE page_files SET published = 1 WHERE page_id = #{page_id} AND public_id IN (#{ids.map { |id| "'#{id}'" }.join(", ")})") if ids.any?
  end
end
