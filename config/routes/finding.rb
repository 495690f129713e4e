get "find", to: "findings#index", as: :find
get "find/description", to: "find_descriptions#show", as: :find_description
resources :kept_searches, only: %i[create destroy], path: "find/kept"
resources :suggestions, only: :index
resources :terms, only: %i[index create edit update destroy]

resource :desk, only: [] do
  resources :sought, only: %i[index destroy], controller: "desks/sought"
end
resources :pages, path: "p", only: [] do
  resource :peek, only: :show, controller: "pages/peeks"
  resource :related, only: :show, controller: "pages/related"
end
