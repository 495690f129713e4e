require "test_helper"

# Asking to come into the house, and being answered.
class AskingToJoinTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @eve, @ben = person("Eve Lund", office: "administrator"), person("Ben Holt")
    House.current.update!(asking_to_join: true, demo: true)
  end

  test "somebody shows that an address is theirs, says who they are, and comes in once an administrator says yes" do
    get "/join/new"
    assert_select ".lead", text: /an administrator says yes or no/
    gita = ask
    assert_equal [ "gita@x.example", @eve.email ], SentMail.order(:id).pluck(:recipient)
    assert_match(/Gita Nor/, SentMail.last.subject)
    sign_in @eve
    get "/invitations"
    assert_select ".invitees li", text: /Gita Nor.*I look after the stage at Vikness/m
    patch "/join_answers/#{gita.public_id}", params: { role: "guest" }
    assert_equal [ true, @eve ], gita.reload.then { |asked| [ asked.given, asked.answered_by ] }
    sign_out :person
    patch "/come/#{SentMail.last.secret}", params: { person: { name: "Gita Nor", password: "a long password" } }
    assert_equal "guest", Person.find_by!(email: "gita@x.example").role
  end

  test "a no is silence, and of two answers one counts" do
    gita = ask
    sign_in @eve
    assert_no_difference("SentMail.count") { delete "/join_answers/#{gita.public_id}" }
    patch "/join_answers/#{gita.public_id}", params: { role: "member" }
    assert_response :not_found
    assert_equal [ false, 0 ], [ gita.reload.given, Invitation.count ]
  end

  test "the address works once, for three days, and only while the house lets people ask" do
    post "/join", params: { email: "gita@x.example" }
    token = SentMail.last.secret
    travel(3.days + 1.minute) { get "/ask-to-come/#{token}" }
    assert_response :not_found
    House.current.update!(asking_to_join: false)
    get "/ask-to-come/#{token}"
    assert_response :not_found
    House.current.update!(asking_to_join: true)
    patch "/ask-to-come/#{token}", params: { join_request: { name: " ", words: "" } }
    assert_response :unprocessable_entity
    patch "/ask-to-come/#{token}", params: { join_request: { name: "Gita", words: "" } }
    assert_response :see_other
    get "/ask-to-come/#{token}"
    assert_response :not_found
  end

  test "the answer is the same for every address, and one address gets no second mail" do
    answers = [ "gita@x.example", "gita@x.example", @ben.email, "nonsense" ].map { |email| post("/join", params: { email: email }) && [ response.status, flash[:notice] ] }
    assert_equal [ 1, [ "gita@x.example" ] ], [ answers.uniq.size, SentMail.pluck(:recipient) ]
  end

  test "nobody but administrators answers" do
    gita = ask
    [ @ben, person("Gus Ro", role: "guest") ].each do |person|
      sign_in person
      [ -> { patch "/join_answers/#{gita.public_id}", params: { role: "member" } }, -> { delete "/join_answers/#{gita.public_id}" } ].each { |act| act.call && assert_response(:forbidden) }
      assert_nil gita.reload.answered_at
    end
    get "/invitations"
    assert_select ".invitees", 0
  end

  test "what nobody asked from is let go of" do
    post "/join", params: { email: "gita@x.example" }
    travel(4.days) { ForgetJoinRequestsJob.perform_now }
    assert_empty JoinRequest.all
  end

  private

  def ask
    post "/join", params: { email: " Gita@X.example" }
    patch "/ask-to-come/#{SentMail.last.secret}", params: { join_request: { name: "Gita Nor", words: "I look after the stage at Vikness" } }
    JoinRequest.waiting.first
  end
end
