resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :ticks, only: :update
  end
end

resources :tasks, only: :index
