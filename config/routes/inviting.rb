resources :invitations, only: %i[index new create destroy] do
  scope module: :invitations do
    resource :sending, only: :create
  end
end
resources :comings, only: %i[show update], path: "come"
resources :access_requests, only: %i[index create destroy]
