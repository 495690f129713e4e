resources :pages, path: "p", only: [] do
  scope module: :pages do
    resource :promise, only: %i[new create]
    resources :names_here, only: :index, path: "draft/names"
    resource :neighbourhood, only: :show
    resources :unlinked_names, only: %i[index create], path: "unlinked"
    resource :linked_from, only: :show, path: "linked-from", controller: "linked_from"
  end
end

resources :rooms, only: [] do
  resource :map, only: :show, module: :rooms
end
resources :likely_pages, only: :index, path: "likely"
resources :page_choices, only: :index
resources :passage_choices, only: :index
resources :passages, only: %i[index new create]
resource :desk, only: :show do
  scope module: :desks do
    resources :promised, only: %i[index show update], constraints: { id: %r{[^/]+} }
    resources :broken, only: :index
    resources :addresses, only: :index
    resources :names, only: :index
    resources :loose, only: %i[index create]
  end
end
resources :mendings, only: %i[new create destroy]
