require "kept_post"

ActiveSupport.on_load(:action_mailer) { add_delivery_method :kept_post, KeptPost }
