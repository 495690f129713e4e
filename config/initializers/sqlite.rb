require "zlib"

# Waits for the write lock up to this long, in milliseconds. Rails' own `timeout` waits inside SQLite while holding the
# interpreter's lock, so that the thread that has the write lock cannot go on and let go of it.
BUSY_MILLISECONDS = 10_000

ActiveSupport.on_load(:active_record_sqlite3adapter) do
  prepend(Module.new do
    def commit_db_transaction
      super.tap { GivesWay.now }
    end

    private

    def configure_connection
      super
      @raw_connection.busy_handler_timeout = BUSY_MILLISECONDS
      @raw_connection.synchronous = @config.fetch(:synchronous, "normal")
      # Compressed text as the index's triggers and its view read it.
      @raw_connection.create_function("inflated", 1) { |function, bytes| function.result = bytes && Zlib.inflate(bytes).force_encoding(Encoding::UTF_8) }
    end
  end)
end
