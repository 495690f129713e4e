# Who may see and do what: places include this where access is given on them.
resources :takeovers, only: %i[index create]

concern :accessible do
  resource :access, only: :show
  resources :access_grants, only: %i[new create update destroy]
  resources :circles, only: %i[create destroy]
end

resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :own_list, only: %i[create destroy]
    resource :withheld_insert, only: :show
  end
end
