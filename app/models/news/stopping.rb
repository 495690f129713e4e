# Stopping to be told from the address in a mail, without signing in: the address holds whose it is and what it stops, signed.
class Stopping
  DESK = "desk_letter".freeze # the weekly letter of the maintenance desk

  attr_reader :person, :target, :reason

  class << self
    # @param target [Page, Room, Tag, KeptSearch, nil] what is followed or kept
    # @param reason [String, nil] for which nothing is to come by mail any more
    # @return [String]
    def token(person, target: nil, reason: nil)
      verifier.generate([ person.public_id, target&.model_name&.name, target&.public_id, reason ], purpose: :stopping)
    end

    # @return [Stopping, nil]
    def at(token)
      person, kind, id, reason = verifier.verified(token.to_s, purpose: :stopping)
      person = person && Person.find_by(public_id: person) or return

      target = Follow::TARGETS.key?(kind) ? kind.constantize.find_by(public_id: id) : nil
      new(person, target, reason) if target || (kind.nil? && (Telling.reasons.key?(reason) || reason == DESK))
    end

    private

    def verifier
      @verifier ||= ActiveSupport::MessageVerifier.new(Rails.application.key_generator.generate_key("stopping"), url_safe: true, serializer: JSON)
    end
  end

  def initialize(person, target, reason)
    @person, @target, @reason = person, target, reason
  end

  def stop
    return Follow.stop(person, target) if target

    setting = NewsSetting.of(person)
    return setting.update!(desk_letter: false) if reason == DESK

    setting.update!(ways: setting.ways.merge(reason => "never"))
  end
end
