# What people write, what pages are called, who they are and how they sign in never reaches the logs: only parameters that
# are named here do, and of a page's address only its id.
ALLOWED_IN_LOGS = %w[controller action format id page_id room_id edition_id person_id group_id signpost_id from to by of order page version base_version save_id change
                     kind level stage w sheet number confirmed number_of small].freeze

Rails.application.config.filter_parameters += [
  /\A(?!(?:#{ALLOWED_IN_LOGS.join("|")})\z)/,
  # What is no id opens a door, as the addresses in mails do.
  lambda do |key, value|
    next unless %w[id page_id].include?(key) && value.is_a?(String)

    value.sub!(/\A.*-(?=[a-z0-9]{10}\z)/m, "")
    value.replace("[FILTERED]") unless value.match?(/\A[a-z0-9_]{1,20}\z/)
  end
]
Rails.application.config.filter_redirect += [ %r{/p/}, /\?/ ]

class RequestsWithoutTitles < Rails::Rack::Logger
  SLUG = %r{/p/[^/?]*?-([a-z0-9]{10})(?=[/?"]|\z)}
  TOKEN = %r{/(come|ask-to-come|circle|address|feeds|stop)/[^/?"\s]+}

  private

  def started_request_message(request)
    super.gsub(SLUG, '/p/\1').gsub(TOKEN, '/\1/[FILTERED]')
  end
end

Rails.application.config.middleware.swap Rails::Rack::Logger, RequestsWithoutTitles, Rails.application.config.log_tags
