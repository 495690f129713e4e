namespace :editor do
  desc "Write what the editor has to know of documents, as the core states it"
  task schema: :environment do
    Rails.root.join("app/javascript/editor/schema.json").write(Zuhause::Document::Description.to_json)
  end
end
