# Where pages lead that were joined or split is asked at each page view, and seldom changes: kept until it does.
class TellThatWaysChanged < ActiveRecord::Migration[7.2]
  def up
    { come: "INSERT", go: "DELETE", change: "UPDATE" }.each do |name, act|
      execute(<<~SQL.squish)
        CREATE TRIGGER versions_forwardings_#{name} AFTER #{act} ON forwardings BEGIN
          INSERT INTO versions VALUES ('forwardings', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number;
        END
      SQL
    end
  end

  def down
    %w[come go change].each { |name| execute("DROP TRIGGER versions_forwardings_#{name}") }
  end
end
