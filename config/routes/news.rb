resources :mailboxes, only: :show, path: "mailbox"
resources :sent_mails, only: %i[index show], path: "mails"
get "feeds/:token/p/:page_id", to: "feeds#show", as: :page_feed, constraints: { token: /[\w-]{20,64}/ }
resource :feed_key, only: %i[create destroy]
resources :happenings, only: :index, path: "record"
resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :notices, only: %i[index new create]
    resources :readers, only: :index
  end
end
resources :news, only: :index
resource :news, only: :update, controller: "news", as: :looked_at_news
resources :changes, only: :index
resource :profile, only: [] do
  scope module: :profiles do
    resource :news_setting, only: %i[edit update], path: "news"
  end
end
concern :followable do
  resource :follow, only: %i[create destroy]
end
resources :pages, path: "p", only: [], concerns: :followable
resources :rooms, only: [], concerns: :followable
resources :tags, only: [], concerns: :followable
resources :kept_searches, path: "find/kept", only: [], concerns: :followable
get "stop/:token", to: "stops#show", as: :stop, constraints: { token: /[^\/]+/ }
post "stop/:token", to: "stops#create", constraints: { token: /[^\/]+/ }
get "feeds/:token/p/:page_id/talk", to: "feeds#talk", as: :page_talk_feed, constraints: { token: /[\w-]{20,64}/ }, format: false
get "feeds/:token/news", to: "feeds#news", as: :news_feed, constraints: { token: /[\w-]{20,64}/ }, format: false
get "feeds/:token/changes", to: "feeds#changes", as: :changes_feed, constraints: { token: /[\w-]{20,64}/ }, format: false
