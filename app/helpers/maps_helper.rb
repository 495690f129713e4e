module MapsHelper
  # @param id [Object] of a door
  # @return [String] by which its threads find it
  def door_key(id)
    Array(id).join("-")
  end
end
