resources :invitations, only: %i[index new create destroy] do
  scope module: :invitations do
    resource :sending, only: :create
  end
end
resources :comings, only: %i[show update], path: "come"
resources :access_requests, only: %i[index create destroy]
resource :look, only: %i[create destroy], path: "look-as"
resource :join, only: %i[new create]
resources :openings, only: %i[show update], path: "circle"
resources :join_requests, only: %i[show update], path: "ask-to-come"
resources :join_answers, only: %i[update destroy]
resources :accounts, only: %i[new create]
resource :start, only: %i[show update]
