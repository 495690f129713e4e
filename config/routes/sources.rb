resources :sources, only: %i[index create edit update destroy]
resource :source_list, only: %i[show create]
