resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :texts, only: :create
  end
end

resources :arrivals, only: %i[new create show update destroy]
