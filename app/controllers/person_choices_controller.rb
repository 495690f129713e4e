# People who can be named in a remark, by what their name begins with.
class PersonChoicesController < ApplicationController
  MOST = 8

  door :somebody

  def index
    words = Person.sanitize_sql_like(word(:q).first(60))
    found = viewer.people.where("name LIKE ? OR name LIKE ?", "#{words}%", "% #{words}%").by_name.limit(MOST)
    render json: found.map { |person| { id: person.public_id, name: person.name } }
  end
end
