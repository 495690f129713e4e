resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :tables, only: :show
    resources :passages, only: :index
  end
end

resource :live_inserts, only: :show
