resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :promise, only: %i[new create]
  end
end

resources :page_choices, only: :index
