resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :publication, only: %i[new create]
    resource :preview, only: :show
    resource :comparison, only: :show
    resources :put_backs, only: :create
    resources :editions, only: %i[index show] do
      resource :restoration, only: :create
    end
  end
end
