# People who can be named in a remark, by what their name begins with.
class PersonChoicesController < ApplicationController
  MOST = 8

  door :somebody

  def index
    words = Person.sanitize_sql_like(word(:q).first(60))
    found = Person.active.where("name LIKE ? OR name LIKE ?", "#{words}%", "% #{words}%").by_name.limit(MOST * 4)
    render json: found.select { |person| viewer.meets?(person) }.first(MOST).map { |person| { id: person.public_id, name: person.name } }
  end
end
