# The role and office that a form gives somebody. There is one owner, whom no form makes or unmakes; a guest has no office.
module RoleParams
  private

  # @return [Hash]
  def role_and_office
    role, office = fields(:person).values_at(:role, :office).map { |value| value.to_s.presence }
    return { role: role || @person.role } if @person.office_owner?

    { role: role || @person.role, office: role == "guest" || office == "owner" ? "none" : office || @person.office }
  end
end
