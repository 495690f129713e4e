# Where what is kept to be quick cannot be read, it is made again; where work cannot be put by, it is found by those who look
# for what was left, every minute. Neither stops a request.
ActiveSupport.on_load(:after_initialize) do
  next unless Companions.used?

  SolidCache::Store.prepend(Module.new do
    private

    def failsafe(method, returning: nil, &block)
      super
    rescue ActiveRecord::ActiveRecordError, SQLite3::Exception => e
      Companions.failed(e)
      returning
    end
  end)

  ActiveJob::QueueAdapters::SolidQueueAdapter.prepend(Module.new do
    %i[enqueue enqueue_at enqueue_all].each do |name|
      define_method(name) do |*given|
        super(*given)
      rescue ActiveRecord::ActiveRecordError, SolidQueue::Job::EnqueueError, SQLite3::Exception => e
        Companions.failed(e)
      end
    end
  end)
  SolidQueue.on_thread_error = ->(error) { Companions.failed(error) }

  # The server ends those who do the work, and starts them, when it starts itself anew; that they could not does not end it.
  forgiving = Module.new do
    %i[start stop].each do |name|
      define_method(name) do |*given, **options|
        super(*given, **options)
      rescue ActiveRecord::ActiveRecordError, SQLite3::Exception => e
        Companions.failed(e) && nil
      end
    end
  end
  SolidQueue::AsyncSupervisor.prepend(forgiving)
end
