module InvitationsHelper
  # @return [String, nil] what somebody is asked to, where that is not the house alone
  def invited_to(place, group)
    case place
    when Room then place.name
    when Page then place.title
    else group && t("access.group", name: group.name)
    end
  end
end
