get "find", to: "findings#index", as: :find
resources :suggestions, only: :index
