resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :publication, only: %i[new create]
    resource :preview, only: :show
    resource :comparison, only: :show
    resource :marks, only: :show, path: "since", controller: "marks"
    resources :put_backs, only: :create
    resource :attribution, only: :show, path: "written-by"
    resources :editions, only: %i[index show] do
      resource :restoration, only: :create
      resource :retraction, only: %i[new create]
    end
  end
end
