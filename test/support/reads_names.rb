# Reads texts for names as soon as they are published, which elsewhere in tests nobody waits for.
module ReadsNames
  extend ActiveSupport::Concern

  included do
    setup { ReadNamesJob.queue_adapter = :inline }
    teardown { ReadNamesJob.queue_adapter = :test }
  end
end
