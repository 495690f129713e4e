require "zlib"

# Waits for the write lock up to this long, in milliseconds. Rails' own `timeout` waits inside SQLite while holding the
# interpreter's lock, so that the thread that has the write lock cannot go on and let go of it.
BUSY_MILLISECONDS = 10_000

# What counted_differences gives.
module CountedDifferences
  # @param before [String] JSON of numbers by word, compressed
  # @param now [String] the same
  # @return [String] JSON of how much each word counts more now, of those that differ
  def self.json(before, now)
    before, now = [ before, now ].map { |bytes| JSON.parse(Zlib.inflate(bytes)) }
    JSON.generate((before.keys | now.keys).to_h { |word| [ word, now.fetch(word, 0) - before.fetch(word, 0) ] }.reject { |_word, more| more.zero? })
  end
end

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
      # What was counted of a page and is counted now, as it lies compressed: only what differs. A trigger asks twice.
      asked = given = nil
      @raw_connection.create_function("counted_differences", 2) do |function, *counts|
        asked, given = counts, CountedDifferences.json(*counts) unless asked == counts
        function.result = given
      end
    end
  end)
end
