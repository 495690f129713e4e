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

  # @param remark [Remark] in which somebody is named
  def addressed(person, remark, by:)
    write(person, title: remark.page&.title || remark.room.name, by: by.name, address: remark_url(remark))
  end

  # @param place [Room, Page] that is given to the group
  def joined(person, place, group:, names:, by:)
    write(person, name: place.is_a?(Room) ? place.name : place.title, group: group.name, people: names.to_sentence, by: by.name, address: polymorphic_url([ place, :access ]))
  end

  def change_address_from(person, email, token)
    write(person, secret: token, email: email, address: email_change_url(token))
  end

  def change_address_to(person, email, token)
    write(person, to: email, secret: token, email: email, address: email_change_url(token))
  end

  # @param page [Page] that stayed where what it stood in went into the bin
  def stayed(person, page, by:)
    write(person, title: page.title, by: by.name, address: page_url(page))
  end

  private

  # @param secret [String, nil] what of the address opens a door
  def write(person, to: person.email, secret: nil, **words)
    I18n.with_locale(person.language) do
      headers["X-Secret"] = secret if secret
      words = words.merge(person: person.name, house: House.current.name)
      mail(to: to, subject: t(".subject", **words), body: t(".body", **words), content_type: "text/plain")
    end
  end
end
