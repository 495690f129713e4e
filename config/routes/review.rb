concern :reviewable do
  resource :review_rule, only: %i[edit update destroy]
end
resources :rooms, only: [], concerns: :reviewable
resources :pages, path: "p", only: [], concerns: :reviewable do
  scope module: :pages do
    resource :review, only: %i[show new create destroy]
    resource :draft_reading, only: :show, path: "draft/read"
    resource :timed_publication, only: :destroy, path: "set-time"
    resource :approval, only: %i[create destroy]
    resource :sending_back, only: :create
  end
end
resources :reviews, only: :index
resources :timed_publications, only: :index, path: "to-be-published"
resource :absence, only: %i[edit update destroy]
