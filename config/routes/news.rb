resources :mailboxes, only: :show, path: "mailbox"
resources :sent_mails, only: %i[index show], path: "mails"
get "feeds/:token/p/:page_id", to: "feeds#show", as: :page_feed, constraints: { token: /[\w-]{20,64}/ }
resource :feed_key, only: %i[create destroy]
resources :happenings, only: :index, path: "record"
