# Each sign-in has a row of its own while it holds (SignIn).
Warden::Manager.after_set_user(except: :fetch) do |person, warden, options|
  warden.session(options[:scope])["sign_in"] = SignIn.begin(person)
end

Warden::Manager.after_set_user(only: :fetch) do |person, warden, options|
  warden.logout(options[:scope]) unless SignIn.holds?(person, warden.session(options[:scope])["sign_in"])
end

Warden::Manager.before_logout do |_person, warden, options|
  key = "warden.user.#{options[:scope]}.session"
  SignIn.end(warden.raw_session[key]&.fetch("sign_in", nil)) if warden.raw_session
end

# A form that was not right is counted, by the hour.
Warden::Manager.before_failure do |_env, options|
  FailedSignIns.note if options[:recall]
end
