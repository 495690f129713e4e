resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :draft, only: %i[show edit update]
    resource :discard, only: %i[new create]
    resource :writer, only: :create
    resource :markdown, only: %i[edit create update]
    resource :look, only: %i[edit update]
    resource :template, only: %i[edit update destroy]
    resources :states, only: %i[index show update]
    resources :disputes, only: %i[index update destroy]
  end
end

resources :days, only: :index
resources :pastes, only: :create
