Rails.application.routes.draw do
  devise_for :people, path: "", path_names: { sign_in: "sign-in", sign_out: "sign-out" }, controllers: { sessions: "sessions", passwords: "passwords" }

  root "home#show"
  get "find", to: "findings#index", as: :find

  resources :suggestions, only: :index

  resource :setup, only: %i[new create], path: "set-up"
  resource :demo_session, only: :create
  resource :profile, only: %i[edit update] do
    scope module: :profiles do
      resource :sessions, only: :destroy, as: :sessions
      resource :new_password, only: %i[edit update], path: "password"
      resource :picture, only: %i[create destroy]
    end
  end
  resource :house, only: %i[edit update]
  resources :people, only: %i[index new create edit update] do
    scope module: :people do
      resource :picture, only: :show
      resource :role, only: :update
      resource :suspension, only: %i[create destroy]
      resource :password_mail, only: :create
      resource :sessions, only: :destroy
    end
  end
  resources :email_changes, only: %i[show update], path: "address"
  resources :mailboxes, only: :show, path: "mailbox"
  resources :sent_mails, only: %i[index show], path: "mails"
  resources :groups, only: %i[index new create edit update destroy]
  resources :takeovers, only: %i[index create]

  concern :accessible do
    resource :access, only: :show
    resources :access_grants, only: %i[new create update destroy]
  end

  resources :rooms, only: %i[new create show edit update], concerns: :accessible do
    resource :bin, only: :show
    resources :branches, only: :index
    resources :page_lists, only: :index, path: "pages"
    resources :signposts, only: %i[new create edit update destroy] do
      resource :placement, only: :update, module: :signposts
    end
    scope module: :rooms do
      resource :archive, only: %i[create destroy]
      resource :rank, only: :update
    end
  end

  resources :page_lists, only: :index, path: "pages"
  resources :tags, only: %i[index show edit update destroy]
  namespace :selections do
    resource :binning, only: %i[create destroy]
    resource :placement, only: :create
    resource :tagging, only: :create
    resource :pin, only: :create
  end

  resources :pages, path: "p", only: %i[new create show], concerns: :accessible do
    scope module: :pages do
      resource :draft, only: %i[edit update]
      resource :publication, only: %i[new create]
      resource :discard, only: %i[new create]
      resource :writer, only: :create
      resource :markdown, only: %i[edit create update]
      resource :preview, only: :show
      resource :look, only: %i[edit update]
      resource :template, only: %i[edit update destroy]
      resources :tables, only: :show
      resource :own_list, only: %i[create destroy]
      resource :placement, only: %i[edit update]
      resource :title, only: %i[edit update]
      resource :binning, only: %i[new create destroy]
      resource :erasure, only: %i[new create]
      resource :tagging, only: %i[edit update]
      resource :pin, only: %i[create destroy]
      resource :copy, only: %i[new create]
      resource :comparison, only: :show
      resources :passages, only: :index
      resources :ticks, only: :update
      resources :files, only: :create
      resources :texts, only: :create
      resources :states, only: %i[index show update]
      resource :withheld_insert, only: :show
      resources :put_backs, only: :create
      resource :promise, only: %i[new create]
      resources :editions, only: %i[index show] do
        resource :restoration, only: :create
      end
    end
  end

  resources :arrivals, only: %i[new create show update destroy]
  resources :page_choices, only: :index
  resources :place_choices, only: :index
  resources :tasks, only: :index
  resources :days, only: :index
  resources :sources, only: %i[index create edit update destroy]
  resource :source_list, only: %i[show create]
  resources :page_files, only: :show, path: "files"
  resources :pastes, only: :create
  resource :live_inserts, only: :show

  match "/404", to: "errors#not_found", via: :all
  match "/:status", to: "errors#refused", via: :all, constraints: { status: /4\d\d/ }
  match "/500", to: "errors#broken", via: :all
end
