class AddBinToPages < ActiveRecord::Migration[7.2]
  def change
    change_table :pages do |t|
      t.datetime :binned_at
      t.references :binned_by, foreign_key: { to_table: :people }, index: false
      # The page that was put in the bin, for it and all that went along with it.
      t.references :bin_root, foreign_key: { to_table: :pages }, index: { where: "bin_root_id IS NOT NULL" }
      t.check_constraint "(binned_at IS NULL) = (bin_root_id IS NULL)", name: "binned_with_a_root"
    end
  end
end
