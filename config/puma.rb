require "etc"

# A process for each core, so that all of them serve; RAILS_MAX_THREADS in each. WEB_CONCURRENCY=0 is one process alone.
serving = %w[demo production].include?(ENV["RAILS_ENV"])
workers ENV.fetch("WEB_CONCURRENCY") { serving ? Etc.nprocessors : 0 }.to_i
preload_app!

# Many, since a thread waits a fifth of a second for more from the same browser before it takes another.
threads_count = ENV.fetch("RAILS_MAX_THREADS", 12).to_i
threads threads_count, threads_count

port ENV.fetch("PORT", 3000)

plugin :tmp_restart

pidfile ENV["PIDFILE"] if ENV["PIDFILE"]

# Work that need not be waited for is done beside them, in the process that watches over them, so that there is nothing else
# to start.
if serving
  plugin :solid_queue
  solid_queue_mode :async
end
