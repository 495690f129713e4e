# Links to places that are no sites, such as folders of one's own network, where administrators allow them.
class AllowFurtherSchemes < ActiveRecord::Migration[7.2]
  def change
    add_column :houses, :schemes, :string, null: false, default: ""
  end
end
