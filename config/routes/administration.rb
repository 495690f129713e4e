resource :setup, only: %i[new create], path: "set-up"
# Whether the server runs: for whatever watches over it.
get "up", to: "rails/health#show"

resource :house, only: %i[edit update]

match "/404", to: "errors#not_found", via: :all
match "/:status", to: "errors#refused", via: :all, constraints: { status: /4\d\d/ }
match "/500", to: "errors#broken", via: :all
