resources :pages, path: "p", only: [] do
  scope module: :pages do
    resources :files, only: %i[index create]
  end
end

resources :page_files, only: :show, path: "files"
