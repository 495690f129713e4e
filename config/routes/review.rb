concern :reviewable do
  resource :review_rule, only: %i[edit update destroy]
end
resources :rooms, only: [], concerns: :reviewable
resources :pages, path: "p", only: [], concerns: :reviewable do
  scope module: :pages do
    resource :review, only: %i[show new create destroy]
    resource :approval, only: :create
    resource :sending_back, only: :create
  end
end
resources :reviews, only: :index
