devise_for :people, path: "", path_names: { sign_in: "sign-in", sign_out: "sign-out" }, controllers: { sessions: "sessions", passwords: "passwords" }
resource :demo_session, only: :create
resource :profile, only: %i[edit update] do
  scope module: :profiles do
    resource :sessions, only: :destroy, as: :sessions
    resource :new_password, only: %i[edit update], path: "password"
    resource :picture, only: %i[create destroy]
  end
end
resources :people, only: %i[index edit update] do
  scope module: :people do
    resource :picture, only: :show
    resource :reach, only: :show
    resource :keeping, only: %i[show create]
    resource :role, only: :update
    resource :suspension, only: %i[create destroy]
    resource :password_mail, only: :create
    resource :slip, only: :create
    resource :sessions, only: :destroy
  end
end
resources :colleagues, only: :index
resources :email_changes, only: %i[show update], path: "address"
resources :groups, only: %i[index new create edit update destroy]
