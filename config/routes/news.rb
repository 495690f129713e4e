resources :mailboxes, only: :show, path: "mailbox"
resources :sent_mails, only: %i[index show], path: "mails"
resources :happenings, only: :index, path: "record"
