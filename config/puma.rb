threads_count = ENV.fetch("RAILS_MAX_THREADS", 5).to_i
threads threads_count, threads_count

port ENV.fetch("PORT", 3000)

plugin :tmp_restart

pidfile ENV["PIDFILE"] if ENV["PIDFILE"]

# Work that need not be waited for is done in this process too, so that there is nothing else to start.
if %w[demo production].include?(ENV["RAILS_ENV"])
  plugin :solid_queue
  solid_queue_mode :async
end
