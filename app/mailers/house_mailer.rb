# What the house writes to people, in their own language.
class HouseMailer < ActionMailer::Base
  default from: -> { ENV.fetch("HOUSE_MAIL", "house@localhost") }

  def choose_password(person, token)
    write(person, secret: token, address: edit_person_password_url(reset_password_token: token))
  end

  def password_changed(person)
    write(person, address: new_person_password_url)
  end

  # @param place [Room, Page]
  def taken_over(person, place, by:)
    name = place.is_a?(Room) ? place.name : place.title
    write(person, name: name, by: by.name, address: polymorphic_url([ place, :access ]))
  end

  def named(person, page, by:)
    write(person, title: page.title, by: by.name, address: page_url(page))
  end

  private

  # @param secret [String, nil] what of the address opens a door
  def write(person, secret: nil, **words)
    I18n.with_locale(person.language) do
      headers["X-Secret"] = secret if secret
      words = words.merge(person: person.name, house: House.current.name)
      mail(to: person.email, subject: t(".subject", **words), body: t(".body", **words), content_type: "text/plain")
    end
  end
end
