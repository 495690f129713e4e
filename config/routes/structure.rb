root "home#show"

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

resources :room_patterns, except: :show do
  resources :rooms, only: %i[new create], controller: "room_patterns/rooms"
end

resources :page_lists, only: :index, path: "pages"
resources :tags, only: %i[index show edit update destroy]
resources :place_choices, only: :index
namespace :selections do
  resource :binning, only: %i[create destroy]
  resource :placement, only: :create
  resource :tagging, only: :create
  resource :pin, only: :create
end

resources :pages, path: "p", only: %i[new create show], concerns: :accessible do
  scope module: :pages do
    resource :joining, only: %i[new create]
    resource :split, only: %i[new create]
    resource :placement, only: %i[edit update]
    resource :title, only: %i[edit update]
    resource :binning, only: %i[new create destroy]
    resource :put_aside, only: %i[new create destroy], path: "aside"
    resource :erasure, only: %i[new create]
    resource :tagging, only: %i[edit update]
    resource :pin, only: %i[create destroy]
    resource :copy, only: %i[new create]
  end
end
