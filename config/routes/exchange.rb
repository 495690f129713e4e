resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :texts, only: :create
  end
end

resources :arrivals, only: %i[new create show update destroy] do
  scope module: :arrivals do
    resources :texts, only: %i[index show update]
    resources :losses, only: :index
    resources :sendings, only: %i[index create]
    resource :reading, only: :create
    resource :place, only: :show
    resource :undoing, only: :create
  end
end
