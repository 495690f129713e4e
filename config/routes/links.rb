resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :promise, only: %i[new create]
    resource :linked_from, only: :show, path: "linked-from", controller: "linked_from"
  end
end

resources :page_choices, only: :index
resources :mendings, only: %i[new create destroy]
