resources :works, only: %i[index show destroy], path: "work"
