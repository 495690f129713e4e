# A small house for tests. Everything is made through the code that people's own acts use.
module HouseBuilding
  PASSWORD = "under-the-eaves".freeze

  def set_up_house(name: "Ternholm Ferries")
    House.find_by(id: 1) || House.create!(id: 1, name: name)
  end

  def person(name, **attributes)
    set_up_house
    email = "#{name.downcase.tr(" ", ".")}@ternholm.example"
    Person.find_by(email: email) || Person.create!({ name: name, email: email, password: PASSWORD }.merge(attributes))
  end

  def group(name, *people)
    Group.create!(name: name, people: people)
  end

  def new_room(name, keeper:, open: false)
    Room.new(name: name, colour: "brick").tap { |room| room.open_for(keeper, open: open) }
  end

  # @param markdown [String] published unless +publish+ is false
  def new_page(title, above:, by:, markdown: "Text of #{title}.", publish: true, at: Time.current)
    page = Page.begin(title: title, above: above, by: by, at: at)
    save_text(page, markdown, by: by, at: at)
    page.publish(version: page.draft.version, by: by, at: at) if publish
    page
  end

  def save_text(page, markdown, by:, title: page.draft.title, at: Time.current)
    document = Zuhause::Markup::MarkdownReader.read(markdown).doc
    page.save_draft(State.new(title: title, document: document), base_version: page.draft.version, by: by, at: at)
  end

  # @return [ActionDispatch::Http::UploadedFile]
  def upload(name, text)
    ActionDispatch::Http::UploadedFile.new(tempfile: Tempfile.new(binmode: true).tap { |file| file.write(text) && file.rewind }, filename: name)
  end

  def holder(one)
    case one
    when Person then Zuhause::Access::Holder.new(:person, one.id)
    when Group then Zuhause::Access::Holder.new(:group, one.id)
    else Zuhause::Access::Holder.new(one, nil)
    end
  end

  def viewer(person)
    Viewer.new(person)
  end
end
