# Run by itself on a database of its own (TEST_DATABASE): brings it forward to what the code expects, as bin/setup would, and
# says whether the house that is in it is well.
ActiveRecord.dump_schema_after_migration = false
ActiveRecord::Migration.verbose = false
ActiveRecord::Base.connection_pool.migration_context.migrate
ApplicationRecord.descendants.each(&:reset_column_information)
puts JSON.generate(harms: HouseCheck.run.map(&:what).reject { |what| what.start_with?("Files") }, pages: Page.kept.count, rooms: Room.in_order.map(&:name))
