# What people write and how they sign in never reaches the logs.
Rails.application.config.filter_parameters += [
  :passw, :email, :secret, :token, :_key, :crypt, :salt, :document, :title, :note, :q
]
