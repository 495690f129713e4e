concern :checkable do
  resource :check_rule, only: %i[edit update destroy]
end
resources :rooms, only: [], concerns: :checkable do
  scope module: :rooms do
    resource :health, only: :show
    resource :tour, only: %i[show create update destroy] do
      resources :stops, only: %i[create destroy], controller: "tour_stops"
    end
  end
end
resources :pages, path: "p", only: [], concerns: :checkable do
  scope module: :pages do
    resources :checks, only: %i[index create destroy]
    resource :out_of_date_mark, only: %i[new create destroy], path: "out-of-date"
    resource :help_answer, only: %i[create update], path: "helped"
  end
end
resources :help_answers, only: [], path: "helped" do
  resource :hearing, only: %i[create destroy], module: :help_answers
end
resource :desk, only: [] do
  resources :lists, only: :show, module: :desks
end
