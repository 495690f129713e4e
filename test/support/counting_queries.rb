# How many queries something takes.
module CountingQueries
  def queries(&block)
    count = 0
    ActiveSupport::Notifications.subscribed(->(*, payload) { count += 1 unless payload[:name].in?([ "TRANSACTION", "SCHEMA" ]) }, "sql.active_record", &block)
    count
  end
end
