# Mails and what is told go first; all other work leaves the database to people in between.
ActiveSupport.on_load(:active_job) do
  around_perform { |job, work| job.queue_name == "now" ? work.call : GivesWay.while_working(&work) }
end
