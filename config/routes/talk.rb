resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :remarks, only: %i[index new create]
    resources :questions, only: %i[index new create]
    resource :thread, only: :show
    resources :lines, only: :create
  end
end
resources :rooms, only: [] do
  scope module: :rooms do
    resource :thread, only: :show
    resources :lines, only: :create
  end
end
resources :questions, only: :index
resources :person_choices, only: :index
resources :remarks, only: %i[show edit update destroy] do
  scope module: :remarks do
    resources :replies, only: :create
    resource :settlement, only: %i[create destroy]
    resource :voice, only: %i[create destroy]
    resource :taking, only: %i[create destroy]
    resource :place, only: :update
    resource :choice, only: %i[create destroy]
    resource :section, only: :create
    resource :question, only: :create
    resource :page, only: :create
  end
end
