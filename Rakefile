# Add your own tasks in files placed in lib/tasks ending in .rake,
# for example lib/tasks/capistrano.rake, and they will automatically be available to Rake.

require_relative "config/application"

# Packages are bin/setup's to bring: building and testing leave them, and their lock file, as they are.
ENV["SKIP_YARN_INSTALL"] = "1"

Rails.application.load_tasks
