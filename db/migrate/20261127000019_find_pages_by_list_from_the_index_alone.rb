# Which pages a list opens is counted and gathered with most screens: the index alone says it, without a look at each page.
class FindPagesByListFromTheIndexAlone < ActiveRecord::Migration[7.2]
  def up
    remove_index :pages, :access_list_id
    add_index :pages, %i[access_list_id bin_root_id edition_id room_id], name: "index_pages_on_access_list_id"
  end

  def down
    remove_index :pages, name: "index_pages_on_access_list_id"
    add_index :pages, :access_list_id
  end
end
