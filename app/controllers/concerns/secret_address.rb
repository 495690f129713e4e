# The address itself opens the door, as those in mails do, so no other site is told of it. To the house itself it is, or the browser
# would not say where a form comes from, and the form would be refused.
module SecretAddress
  extend ActiveSupport::Concern

  included { prepend_before_action { response.headers["Referrer-Policy"] = "same-origin" } }
end
