require "test_helper"

# Every door of the house: each route, verb and format has an answer for whoever knocks. Who is refused follows from the act
# that the controller states and from the table of acts; what is special about a door is stated here. A route that is not
# here fails the test.
class DoorsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  WHO = %i[outside stranger reader writer keeper admin].freeze
  ASKED = ENV["QUICK"] ? %i[outside reader keeper] : WHO

  ANSWERS = {
    home: [ 302, 200, 200, 200, 200, 200 ],
    seen: [ 404, 404, 200, 200, 200, 404 ],
    seen_act: [ 404, 404, 303, 303, 303, 404 ],
    written: [ 404, 404, 403, 200, 200, 404 ],
    written_act: [ 404, 404, 403, 303, 303, 404 ],
    draft_only: [ 404, 404, 404, 200, 200, 404 ],
    put_back: [ 404, 404, 404, 303, 303, 404 ],
    erase_view: [ 404, 404, 404, 403, 200, 404 ],
    erase_act: [ 404, 404, 404, 403, 303, 404 ],
    added: [ 404, 403, 403, 303, 303, 403 ], # makes something new in a place that is named: whoever does not see it may not
    own: [ 404, 404, 404, 404, 200, 404 ], # what somebody brought in, and nobody else
    own_act: [ 404, 404, 404, 404, 303, 404 ],
    own_words: [ 404, 404, 403, 403, 200, 404 ], # what somebody said, who keeps the page besides
    own_words_act: [ 404, 404, 403, 403, 303, 404 ],
    nobody: [ 404, 404, 404, 404, 404, 404 ]
  }.freeze

  # Answers to the same in JSON, where it comes in JSON; elsewhere they follow from the answers above.
  JSON = {
    json: [ 401, 200, 200, 200, 200, 200 ],
    json_draft: [ 401, 404, 403, 200, 200, 404 ],
    json_kept: [ 401, 404, 403, 403, 200, 404 ],
    json_given: [ 401, 404, 403, 403, 204, 404 ],
    json_move: [ 401, 404, 403, 200, 200, 404 ],
    json_publish: [ 401, 404, 403, 201, 201, 404 ]
  }.freeze

  DOORS = {
    "GET /sign-in" => { to: "/sign-in", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "POST /sign-in" => { to: "/sign-in", html: [ 422, 302, 302, 302, 302, 302 ], json: nil },
    "DELETE /sign-out" => { to: "/sign-out", json: nil },
    "GET /" => { to: "/", html: :home },
    "GET /up" => { to: "/up", html: [ 200 ] * 6, json: [ 200 ] * 6 },
    "GET /find" => { to: "/find?q=grit" },
    "GET /suggestions" => { to: "/suggestions?q=grit" },
    "GET /find/description" => { to: "/find/description" },
    "POST /find/kept" => { to: "/find/kept?q=grit" },
    "DELETE /find/kept/:id" => { to: "/find/kept/#{"0" * 10}", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /desk/sought" => { to: "/desk/sought" },
    "DELETE /desk/sought/:id" => { to: ->(t) { "/desk/sought/#{Sought.told.first.key}" } },
    "GET /p/:page_id/since" => { to: ->(t) { "/p/#{t.page.to_param}/since?from=1" }, html: nil, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /desk/lists/:id" => { to: "/desk/lists/overdue" },
    "GET /rooms/:room_id/health" => { to: ->(t) { "/rooms/#{t.room.public_id}/health" }, html: :seen },
    "GET /rooms/:room_id/tour" => { to: ->(t) { "/rooms/#{t.room.public_id}/tour" }, html: :own },
    "POST /rooms/:room_id/tour" => { to: ->(t) { "/rooms/#{t.room.public_id}/tour" }, html: :own_act },
    "PATCH /rooms/:room_id/tour" => { to: ->(t) { "/rooms/#{t.room.public_id}/tour?page=#{t.page.public_id}" }, html: :own_act },
    "DELETE /rooms/:room_id/tour" => { to: ->(t) { "/rooms/#{t.room.public_id}/tour" }, html: :own_act },
    "POST /rooms/:room_id/tour/stops" => { to: ->(t) { "/rooms/#{t.room.public_id}/tour/stops?page=#{t.page.public_id}&said=edited" }, html: :own_act },
    "DELETE /rooms/:room_id/tour/stops/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/tour/stops/#{t.page.public_id}" }, html: :own_act },
    "GET /rooms/:room_id/check_rule/edit" => { to: ->(t) { "/rooms/#{t.room.public_id}/check_rule/edit" } },
    "PATCH /rooms/:room_id/check_rule" => { to: ->(t) { "/rooms/#{t.room.public_id}/check_rule" }, with: { rule: { every: "6" } } },
    "DELETE /rooms/:room_id/check_rule" => { to: ->(t) { "/rooms/#{t.room.public_id}/check_rule" } },
    "GET /p/:page_id/check_rule/edit" => { to: ->(t) { "/p/#{t.page.to_param}/check_rule/edit" } },
    "PATCH /p/:page_id/check_rule" => { to: ->(t) { "/p/#{t.page.to_param}/check_rule" }, with: { rule: { every: "never" } } },
    "DELETE /p/:page_id/check_rule" => { to: ->(t) { "/p/#{t.page.to_param}/check_rule" } },
    "GET /p/:page_id/checks" => { to: ->(t) { "/p/#{t.page.to_param}/checks" }, html: :seen },
    "POST /p/:page_id/checks" => { to: ->(t) { "/p/#{t.page.to_param}/checks" }, with: { check: { note: "" } }, json: :json_kept },
    "DELETE /p/:page_id/checks/:id" => { to: ->(t) { "/p/#{t.page.to_param}/checks/#{t.check.id}" }, json: :json_kept },
    "GET /p/:page_id/out-of-date/new" => { to: ->(t) { "/p/#{t.page.to_param}/out-of-date/new" } },
    "POST /p/:page_id/out-of-date" => { to: ->(t) { "/p/#{t.page.to_param}/out-of-date" }, with: { mark: { words: "Since May" } }, json: :json_draft },
    "DELETE /p/:page_id/out-of-date" => { to: ->(t) { "/p/#{t.page.to_param}/out-of-date" }, json: :json_draft },
    "POST /p/:page_id/helped" => { to: ->(t) { "/p/#{t.page.to_param}/helped?helped=1" } },
    "PATCH /p/:page_id/helped" => { to: ->(t) { "/p/#{t.page.to_param}/helped" }, with: { answer: { words: "Thanks" } }, html: [ 404, 404, 303, 404, 404, 404 ] },
    "POST /helped/:help_answer_id/hearing" => { to: ->(t) { "/helped/#{t.helped.id}/hearing" }, json: :json_kept },
    "DELETE /helped/:help_answer_id/hearing" => { to: ->(t) { "/helped/#{t.helped.id}/hearing" }, json: :json_kept },
    "GET /desk/loose" => { to: "/desk/loose" },
    "POST /desk/loose" => { to: ->(t) { "/desk/loose?page=#{t.page.public_id}&on=#{t.page.public_id}" }, html: [ 404, 404, 403, 303, 303, 404 ] },
    "GET /p/:page_id/neighbourhood" => { to: ->(t) { "/p/#{t.page.to_param}/neighbourhood?steps=2" } },
    "GET /rooms/:room_id/map" => { to: ->(t) { "/rooms/#{t.room.public_id}/map" } },
    "GET /p/:page_id/draft/names" => { to: ->(t) { "/p/#{t.page.to_param}/draft/names" }, html: nil, json: :json_draft },
    "GET /likely" => { to: "/likely?q=gangway" },
    "GET /passages" => { to: "/passages" },
    "GET /passages/new" => { to: "/passages/new" },
    "POST /passages" => { to: ->(t) { "/passages?name=Salt&above=#{t.page.public_id}" }, html: :added },
    "GET /desk/names" => { to: "/desk/names" },
    "GET /p/:page_id/unlinked" => { to: ->(t) { "/p/#{t.page.to_param}/unlinked" } },
    "POST /p/:page_id/unlinked" => { to: ->(t) { "/p/#{t.page.to_param}/unlinked" } },
    "GET /p/:page_id/peek" => { to: ->(t) { "/p/#{t.page.to_param}/peek?at=0" } },
    "GET /p/:page_id/related" => { to: ->(t) { "/p/#{t.page.to_param}/related" } },
    "GET /set-up/new" => { to: "/set-up/new", html: :nobody, json: :nobody },
    "POST /set-up" => { to: "/set-up", html: :nobody, json: :nobody },
    "POST /demo_session" => { to: ->(t) { "/demo_session?person=#{t.people[:keeper].public_id}" }, html: :nobody },
    "GET /password/new" => { to: "/password/new", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "POST /password" => { to: "/password", with: { person: { email: "nobody@x.example" } }, html: [ 303, 302, 302, 302, 302, 302 ], json: nil },
    "GET /password/edit" => { to: "/password/edit?reset_password_token=x", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "PATCH /password" => { to: "/password", with: { person: { reset_password_token: "x", password: "another-long-one" } }, html: [ 422, 302, 302, 302, 302, 302 ], json: nil },
    "DELETE /profile/sessions" => { to: "/profile/sessions" },
    "GET /profile/password/edit" => { to: "/profile/password/edit" },
    "PATCH /profile/password" => { to: "/profile/password", with: { person: { current_password: HouseBuilding::PASSWORD, password: "another-long-one" } }, json: nil },
    "POST /profile/picture" => { to: "/profile/picture" },
    "DELETE /profile/picture" => { to: "/profile/picture" },
    "GET /people/:person_id/picture" => { to: ->(t) { "/people/#{t.pictured.public_id}/picture" }, json: [ 401, 200, 200, 200, 200, 200 ] },
    "PATCH /people/:person_id/role" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/role" }, with: { person: { role: "guest" }, confirmed: 1 } },
    "POST /people/:person_id/suspension" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/suspension" }, with: { confirmed: 1 } },
    "DELETE /people/:person_id/suspension" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/suspension" }, with: { confirmed: 1 } },
    "POST /people/:person_id/password_mail" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/password_mail" } },
    "DELETE /people/:person_id/sessions" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/sessions" } },
    "GET /address/:id" => { to: ->(t) { "/address/#{t.email_token}" } },
    "PATCH /address/:id" => { to: ->(t) { "/address/#{t.email_token}" } },
    "GET /mailbox/:id" => { to: ->(t) { "/mailbox/#{t.people[:keeper].public_id}" }, html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /work" => { to: "/work" },
    "GET /work/:id" => { to: ->(t) { "/work/#{t.work.public_id}" }, html: :own, json: [ 401, 404, 404, 404, 200, 404 ] },
    "DELETE /work/:id" => { to: ->(t) { "/work/#{t.work.public_id}" }, html: :own_act },
    "GET /passage_choices" => { to: "/passage_choices?q=grit", html: nil, json: :json },
    "GET /desk" => { to: "/desk" },
    "GET /desk/promised" => { to: "/desk/promised" },
    "GET /desk/promised/:id" => { to: "/desk/promised/Nobody%20wants%20it", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "PATCH /desk/promised/:id" => { to: "/desk/promised/0", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /desk/broken" => { to: "/desk/broken" },
    "GET /desk/addresses" => { to: "/desk/addresses" },
    "GET /mendings/new" => { to: ->(t) { "/mendings/new?from=page:#{t.page.public_id}" } },
    "POST /mendings" => { to: ->(t) { "/mendings?from=page:#{t.page.public_id}" }, html: [ 404, 422, 422, 422, 422, 422 ], json: nil },
    "DELETE /mendings/:id" => { to: ->(t) { "/mendings/#{t.work.public_id}" }, html: :nobody },
    "GET /record" => { to: "/record" },
    "GET /mails" => { to: "/mails" },
    "GET /mails/:id" => { to: ->(t) { "/mails/#{t.mail.id}" } },
    "GET /pages" => { to: "/pages" },
    "GET /rooms/:room_id/pages" => { to: ->(t) { "/rooms/#{t.room.public_id}/pages" }, html: :seen },
    "GET /rooms/:room_id/branches" => { to: ->(t) { "/rooms/#{t.room.public_id}/branches?above=#{t.page.public_id}" } },
    "GET /rooms/:room_id/signposts/new" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/new" }, html: :written },
    "POST /rooms/:room_id/signposts" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts" }, with: { signpost: { kind: "heading", title: "Drills" } }, html: :written_act },
    "GET /rooms/:room_id/signposts/:id/edit" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}/edit" }, html: :written },
    "PATCH /rooms/:room_id/signposts/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}" }, with: { signpost: { title: "Other" } }, html: :written_act },
    "DELETE /rooms/:room_id/signposts/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}" }, html: :written_act },
    "PATCH /rooms/:room_id/signposts/:signpost_id/placement" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}/placement" }, with: ->(t) { { above: t.page.public_id } }, html: nil, json: :json_move },
    "POST /rooms/:room_id/archive" => { to: ->(t) { "/rooms/#{t.room.public_id}/archive" } },
    "DELETE /rooms/:room_id/archive" => { to: ->(t) { "/rooms/#{t.room.public_id}/archive" } },
    "PATCH /rooms/:room_id/rank" => { to: ->(t) { "/rooms/#{t.room.public_id}/rank?to=down" }, html: [ 404, 403, 403, 403, 403, 404 ] },
    "GET /tags" => { to: "/tags" },
    "GET /tags/:id" => { to: ->(t) { "/tags/#{t.tag.public_id}" }, html: :seen },
    "GET /tags/:id/edit" => { to: ->(t) { "/tags/#{t.tag.public_id}/edit" }, html: :written },
    "PATCH /tags/:id" => { to: ->(t) { "/tags/#{t.tag.public_id}" }, with: { tag: { name: "winter" } }, html: :written_act },
    "DELETE /tags/:id" => { to: ->(t) { "/tags/#{t.tag.public_id}" }, html: :written_act },
    "POST /selections/binning" => { to: "/selections/binning", with: ->(t) { { pages: [ t.page.public_id ], confirmed: 1 } } },
    "DELETE /selections/binning" => { to: "/selections/binning", with: ->(t) { { pages: [ t.binned.public_id ] } } },
    "POST /selections/placement" => { to: "/selections/placement", with: ->(t) { { pages: [ t.page.public_id ], above: t.sibling.public_id } } },
    "POST /selections/tagging" => { to: "/selections/tagging", with: ->(t) { { pages: [ t.page.public_id ], tags: "cold" } } },
    "POST /selections/pin" => { to: "/selections/pin", with: ->(t) { { pages: [ t.page.public_id ] } } },
    "GET /p/:page_id/tagging/edit" => { to: ->(t) { "/p/#{t.page.to_param}/tagging/edit" } },
    "PATCH /p/:page_id/tagging" => { to: ->(t) { "/p/#{t.page.to_param}/tagging" }, with: { tags: "ice, cold" } },
    "POST /p/:page_id/pin" => { to: ->(t) { "/p/#{t.page.to_param}/pin" } },
    "DELETE /p/:page_id/pin" => { to: ->(t) { "/p/#{t.page.to_param}/pin" } },
    "GET /p/:page_id/copy/new" => { to: ->(t) { "/p/#{t.page.to_param}/copy/new" } },
    "POST /p/:page_id/copy" => { to: ->(t) { "/p/#{t.page.to_param}/copy" }, with: ->(t) { { above: t.room.public_id, title: "Again" } }, html: :written_act },
    "GET /place_choices" => { to: "/place_choices?q=gang" },
    "GET /profile/edit" => { to: "/profile/edit" },
    "PATCH /profile" => { to: "/profile", with: { person: { theme: "dark", name: "Somebody", office: "owner", role: "guest" } } },
    "GET /house/edit" => { to: "/house/edit" },
    "PATCH /house" => { to: "/house", with: { house: { name: "Other", demo: true } } },
    "GET /people" => { to: "/people" },
    "GET /invitations" => { to: "/invitations" },
    "GET /invitations/new" => { to: ->(t) { "/invitations/new?room=#{t.room.public_id}" }, html: [ 404, 404, 403, 403, 200, 404 ] },
    "POST /invitations" => { to: ->(t) { "/invitations?page=#{t.page.public_id}" }, with: { who: "gita@x.example", role: "guest", level: "read" }, html: [ 404, 404, 403, 403, 200, 404 ] },
    "DELETE /invitations/:id" => { to: ->(t) { "/invitations/#{t.invitation.public_id}" }, html: [ 404, 404, 404, 404, 303, 404 ] },
    "POST /invitations/:invitation_id/sending" => { to: ->(t) { "/invitations/#{t.invitation.public_id}/sending" }, html: [ 404, 404, 404, 404, 303, 404 ] },
    "GET /come/:id" => { to: "/come/guessed", html: :nobody, json: [ 404 ] * 6 },
    "PATCH /come/:id" => { to: "/come/guessed", with: { person: { name: "Gita", password: "long enough it is" } }, html: :nobody, json: [ 404 ] * 6 },
    "GET /join/new" => { to: "/join/new", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "POST /join" => { to: "/join", with: { email: "gita@x.example" }, html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /ask-to-come/:id" => { to: "/ask-to-come/guessed", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "PATCH /ask-to-come/:id" => { to: "/ask-to-come/guessed", with: { join_request: { name: "Gita", words: "" } }, html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "PATCH /join_answers/:id" => { to: "/join_answers/#{"0" * 10}", with: { role: "member" }, html: [ 404, 403, 403, 403, 403, 404 ], json: [ 401, 403, 403, 403, 403, 404 ] },
    "DELETE /join_answers/:id" => { to: "/join_answers/#{"0" * 10}", html: [ 404, 403, 403, 403, 403, 404 ], json: [ 401, 403, 403, 403, 403, 404 ] },
    "GET /accounts/new" => { to: "/accounts/new" },
    "POST /accounts" => { to: "/accounts", with: { text: "Gita,gita@x.example" }, html: [ 404, 403, 403, 403, 403, 200 ] },
    "POST /people/:person_id/slip" => { to: ->(t) { "/people/#{t.slip.person.public_id}/slip" }, html: [ 404, 403, 403, 403, 403, 200 ] },
    "GET /start" => { to: "/start", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "PATCH /start" => { to: "/start", with: { code: "guessed", password: "long enough it is" }, html: [ 422, 302, 302, 302, 302, 302 ], json: nil },
    "GET /p/:page_id/readers" => { to: ->(t) { "/p/#{t.page.to_param}/readers" } },
    "GET /p/:page_id/notices" => { to: ->(t) { "/p/#{t.page.to_param}/notices" } },
    "GET /p/:page_id/notices/new" => { to: ->(t) { "/p/#{t.page.to_param}/notices/new" } },
    "POST /p/:page_id/notices" => { to: ->(t) { "/p/#{t.page.to_param}/notices" }, with: ->(t) { { to: "room:#{t.room.public_id}", words: "Read it" } } },
    "GET /news" => { to: "/news" },
    "PATCH /news" => { to: "/news" },
    "GET /changes" => { to: "/changes" },
    "GET /profile/news/edit" => { to: "/profile/news/edit" },
    "PATCH /profile/news" => { to: "/profile/news", with: { news_setting: { letter_hour: "8", letter_day: "2" } } },
    "POST /p/:page_id/follow" => { to: ->(t) { "/p/#{t.page.to_param}/follow" }, html: :seen_act },
    "DELETE /p/:page_id/follow" => { to: ->(t) { "/p/#{t.page.to_param}/follow" }, html: :seen_act },
    "POST /rooms/:room_id/follow" => { to: ->(t) { "/rooms/#{t.room.public_id}/follow" }, html: :seen_act },
    "DELETE /rooms/:room_id/follow" => { to: ->(t) { "/rooms/#{t.room.public_id}/follow" }, html: :seen_act },
    "POST /tags/:tag_id/follow" => { to: ->(t) { "/tags/#{t.tag.public_id}/follow" }, html: :seen_act },
    "DELETE /tags/:tag_id/follow" => { to: ->(t) { "/tags/#{t.tag.public_id}/follow" }, html: :seen_act },
    "POST /find/kept/:kept_search_id/follow" => { to: "/find/kept/#{"0" * 10}/follow", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "DELETE /find/kept/:kept_search_id/follow" => { to: "/find/kept/#{"0" * 10}/follow", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /stop/:token" => { to: "/stop/guessed", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "POST /stop/:token" => { to: "/stop/guessed", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /feeds/:token/news" => { to: "/feeds/#{"g" * 43}/news", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /feeds/:token/changes" => { to: "/feeds/#{"g" * 43}/changes", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /circle/:id" => { to: "/circle/guessed", html: :nobody },
    "PATCH /circle/:id" => { to: "/circle/guessed", html: :nobody },
    "POST /p/:page_id/circles" => { to: ->(t) { "/p/#{t.page.to_param}/circles" }, with: ->(_t) { { level: "read", ends_on: (Date.current + 9).iso8601 } } },
    "DELETE /p/:page_id/circles/:id" => { to: ->(t) { "/p/#{t.page.to_param}/circles/#{t.circle.public_id}" } },
    "POST /rooms/:room_id/circles" => { to: ->(t) { "/rooms/#{t.room.public_id}/circles" }, with: ->(_t) { { level: "read", ends_on: (Date.current + 9).iso8601 } } },
    "DELETE /rooms/:room_id/circles/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/circles/#{t.room_circle.public_id}" } },
    "POST /look-as" => { to: "/look-as", with: { who: "outside" } },
    "DELETE /look-as" => { to: "/look-as" },
    "GET /access_requests" => { to: "/access_requests" },
    "POST /access_requests" => { to: "/access_requests", with: ->(t) { { address: "/p/#{t.page.to_param}" } } },
    "DELETE /access_requests/:id" => { to: ->(t) { "/access_requests/#{t.asking.public_id}" }, html: [ 404, 404, 404, 404, 303, 404 ] },
    "GET /colleagues" => { to: "/colleagues" },
    "GET /people/:person_id/keeping" => { to: ->(t) { "/people/#{t.people[:reader].public_id}/keeping" } },
    "POST /people/:person_id/keeping" => { to: ->(t) { "/people/#{t.people[:keeper].public_id}/keeping" }, with: ->(t) { { to: t.people[:writer].public_id } } },
    "GET /people/:person_id/reach" => { to: ->(t) { "/people/#{t.people[:reader].public_id}/reach" } },
    "GET /people/:id/edit" => { to: ->(t) { "/people/#{t.people[:reader].public_id}/edit" } },
    "PATCH /people/:id" => { to: ->(t) { "/people/#{t.people[:reader].public_id}" }, with: { person: { name: "Other" } } },
    "GET /groups" => { to: "/groups" },
    "GET /groups/new" => { to: "/groups/new" },
    "POST /groups" => { to: "/groups", with: { group: { name: "Engine" } } },
    "GET /groups/:id/edit" => { to: ->(t) { "/groups/#{t.deck.public_id}/edit" } },
    "PATCH /groups/:id" => { to: ->(t) { "/groups/#{t.deck.public_id}" }, with: { group: { name: "Other" }, confirmed: 1 } },
    "DELETE /groups/:id" => { to: ->(t) { "/groups/#{t.deck.public_id}" }, with: { confirmed: 1 } },
    "GET /takeovers" => { to: "/takeovers" },
    "POST /takeovers" => { to: ->(t) { "/takeovers?place=#{t.room.public_id}" } },
    "GET /room_patterns" => { to: "/room_patterns" },
    "GET /room_patterns/new" => { to: "/room_patterns/new" },
    "POST /room_patterns" => { to: "/room_patterns", with: { room_pattern: { name: "Project", everyone: "none", team: "write" } } },
    "GET /room_patterns/:id/edit" => { to: ->(t) { "/room_patterns/#{t.pattern.public_id}/edit" } },
    "PATCH /room_patterns/:id" => { to: ->(t) { "/room_patterns/#{t.pattern.public_id}" }, with: { room_pattern: { name: "Other" } } },
    "DELETE /room_patterns/:id" => { to: ->(t) { "/room_patterns/#{t.pattern.public_id}" } },
    "GET /room_patterns/:room_pattern_id/rooms/new" => { to: ->(t) { "/room_patterns/#{t.pattern.public_id}/rooms/new" } },
    "POST /room_patterns/:room_pattern_id/rooms" => { to: ->(t) { "/room_patterns/#{t.pattern.public_id}/rooms" }, with: ->(t) { { team: t.deck.public_id, room: { name: "Mine", colour: "moss" } } } },
    "GET /rooms/new" => { to: "/rooms/new" },
    "POST /rooms" => { to: "/rooms", with: { room: { name: "Mine", colour: "moss" } } },
    "GET /rooms/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}" } },
    "GET /rooms/:id/edit" => { to: ->(t) { "/rooms/#{t.room.public_id}/edit" } },
    "PATCH /rooms/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}" }, with: { room: { name: "Other" } } },
    "GET /rooms/:room_id/access" => { to: ->(t) { "/rooms/#{t.room.public_id}/access" } },
    "GET /rooms/:room_id/access_grants/new" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants/new?level=read&holders[]=everyone" }, html: nil, json: [ 401, 404, 403, 403, 200, 404 ] },
    "POST /rooms/:room_id/access_grants" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants" }, with: { holders: [ "everyone" ], level: "read", confirmed: 1 }, json: :json_given },
    "PATCH /rooms/:room_id/access_grants/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants/#{t.grant.id}" }, with: { level: "comment", confirmed: 1 }, json: :json_given },
    "DELETE /rooms/:room_id/access_grants/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants/#{t.grant.id}" }, with: { confirmed: 1 }, json: :json_given },
    "GET /p/new" => { to: ->(t) { "/p/new?above=#{t.room.public_id}" } },
    "POST /p" => { to: ->(t) { "/p?above=#{t.room.public_id}" }, with: { page: { title: "New" } }, html: :added },
    "GET /p/:id" => { to: ->(t) { "/p/#{t.page.to_param}" } },
    "GET /p/:page_id/access" => { to: ->(t) { "/p/#{t.page.to_param}/access" } },
    "GET /p/:page_id/access_grants/new" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants/new?level=read&holders[]=everyone" }, html: nil, json: [ 401, 404, 403, 403, 200, 404 ] },
    "POST /p/:page_id/access_grants" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants" }, with: { holders: [ "everyone" ], level: "read", confirmed: 1 }, json: :json_given },
    "PATCH /p/:page_id/access_grants/:id" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants/#{t.page_grant.id}" }, with: { level: "comment", confirmed: 1 }, json: :json_given },
    "DELETE /p/:page_id/access_grants/:id" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants/#{t.page_grant.id}" }, with: { confirmed: 1 }, json: :json_given },
    "GET /p/:page_id/draft" => { to: ->(t) { "/p/#{t.page.to_param}/draft" }, json: :json_draft },
    "GET /p/:page_id/draft/edit" => { to: ->(t) { "/p/#{t.page.to_param}/draft/edit" } },
    "PATCH /p/:page_id/draft" => { to: ->(t) { "/p/#{t.page.to_param}/draft" }, with: :draft, as: :json, html: nil, json: :json_draft },
    "POST /p/:page_id/publication" => { to: ->(t) { "/p/#{t.page.to_param}/publication" }, with: { version: 4 }, json: :json_publish },
    "POST /p/:page_id/own_list" => { to: ->(t) { "/p/#{t.page.to_param}/own_list" }, json: :json_given },
    "DELETE /p/:page_id/own_list" => { to: ->(t) { "/p/#{t.page.to_param}/own_list" } },
    "GET /p/:page_id/title/edit" => { to: ->(t) { "/p/#{t.page.to_param}/title/edit" } },
    "PATCH /p/:page_id/title" => { to: ->(t) { "/p/#{t.page.to_param}/title" }, with: { page: { title: "Other" }, names: "Brow" } },
    "GET /p/:page_id/binning/new" => { to: ->(t) { "/p/#{t.page.to_param}/binning/new" } },
    "POST /p/:page_id/binning" => { to: ->(t) { "/p/#{t.page.to_param}/binning" } },
    "DELETE /p/:page_id/binning" => { to: ->(t) { "/p/#{t.binned.to_param}/binning" }, html: :put_back },
    "GET /p/:page_id/erasure/new" => { to: ->(t) { "/p/#{t.binned.to_param}/erasure/new" }, html: :erase_view },
    "POST /p/:page_id/erasure" => { to: ->(t) { "/p/#{t.binned.to_param}/erasure" }, html: :erase_act },
    "GET /rooms/:room_id/bin" => { to: ->(t) { "/rooms/#{t.room.public_id}/bin" }, html: :draft_only },
    "GET /p/:page_id/placement/edit" => { to: ->(t) { "/p/#{t.page.to_param}/placement/edit" } },
    "PATCH /p/:page_id/placement" => { to: ->(t) { "/p/#{t.page.to_param}/placement" }, with: ->(t) { { above: t.sibling.public_id } }, json: :json_move },
    "GET /p/:page_id/promise/new" => { to: ->(t) { "/p/#{t.page.to_param}/promise/new?title=Sand" } },
    "POST /p/:page_id/promise" => { to: ->(t) { "/p/#{t.page.to_param}/promise?title=Sand" }, with: { page: { title: "Sand" } } },
    "GET /p/:page_id/editions" => { to: ->(t) { "/p/#{t.page.to_param}/editions" } },
    "GET /p/:page_id/editions/:id" => { to: ->(t) { "/p/#{t.page.to_param}/editions/1" } },
    "POST /p/:page_id/editions/:edition_id/restoration" => { to: ->(t) { "/p/#{t.page.to_param}/editions/1/restoration" } },
    "GET /p/:page_id/linked-from" => { to: ->(t) { "/p/#{t.page.to_param}/linked-from" } },
    "GET /p/:page_id/comparison" => { to: ->(t) { "/p/#{t.page.to_param}/comparison?from=1&to=draft" }, html: :draft_only },
    "POST /p/:page_id/put_backs" => { to: ->(t) { "/p/#{t.page.to_param}/put_backs?from=1&change=0&version=4" } },
    "GET /p/:page_id/passages" => { to: ->(t) { "/p/#{t.page.to_param}/passages" }, html: nil, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/withheld_insert" => { to: ->(t) { "/p/#{t.page.to_param}/withheld_insert?page=#{t.sibling.public_id}" }, html: nil, json: :json_draft },
    "GET /live_inserts" => { to: ->(t) { "/live_inserts?page=#{t.page.public_id}" }, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /reviews" => { to: "/reviews" },
    "GET /rooms/:room_id/review_rule/edit" => { to: ->(t) { "/rooms/#{t.room.public_id}/review_rule/edit" } },
    "PATCH /rooms/:room_id/review_rule" => { to: ->(t) { "/rooms/#{t.room.public_id}/review_rule" }, with: ->(t) { { rule: { needed: 1 }, holders: [ "person:#{t.people[:writer].public_id}" ] } } },
    "DELETE /rooms/:room_id/review_rule" => { to: ->(t) { "/rooms/#{t.room.public_id}/review_rule" } },
    "GET /p/:page_id/review_rule/edit" => { to: ->(t) { "/p/#{t.page.to_param}/review_rule/edit" } },
    "PATCH /p/:page_id/review_rule" => { to: ->(t) { "/p/#{t.page.to_param}/review_rule" }, with: ->(t) { { rule: { needed: 1 }, holders: [ "person:#{t.people[:writer].public_id}" ] } } },
    "DELETE /p/:page_id/review_rule" => { to: ->(t) { "/p/#{t.page.to_param}/review_rule" } },
    "GET /p/:page_id/review" => { to: ->(t) { "/p/#{t.page.to_param}/review" } },
    "GET /p/:page_id/review/new" => { to: ->(t) { "/p/#{t.page.to_param}/review/new" } },
    "POST /p/:page_id/review" => { to: ->(t) { "/p/#{t.page.to_param}/review" }, with: { review: { note: "x" } } },
    "DELETE /p/:page_id/review" => { to: ->(t) { "/p/#{t.page.to_param}/review" }, html: [ 404, 404, 403, 403, 403, 404 ] },
    "POST /p/:page_id/approval" => { to: ->(t) { "/p/#{t.page.to_param}/approval?version=4" }, html: [ 404, 404, 403, 403, 403, 404 ] },
    "DELETE /p/:page_id/approval" => { to: ->(t) { "/p/#{t.page.to_param}/approval" }, html: [ 404, 404, 403, 403, 403, 404 ] },
    "GET /p/:page_id/draft/read" => { to: ->(t) { "/p/#{t.page.to_param}/draft/read" } },
    "DELETE /p/:page_id/set-time" => { to: ->(t) { "/p/#{t.page.to_param}/set-time" } },
    "GET /terms" => { to: "/terms" },
    "POST /terms" => { to: "/terms", with: { term: { name: "drill", others_in_words: "exercise" } } },
    "GET /terms/:id/edit" => { to: ->(t) { "/terms/#{t.term.public_id}/edit" } },
    "PATCH /terms/:id" => { to: ->(t) { "/terms/#{t.term.public_id}" }, with: { term: { name: "swell" } } },
    "DELETE /terms/:id" => { to: ->(t) { "/terms/#{t.term.public_id}" } },
    "GET /to-be-published" => { to: "/to-be-published" },
    "GET /absence/edit" => { to: "/absence/edit" },
    "PATCH /absence" => { to: "/absence", with: ->(t) { { absence: { starts_on: Date.current.iso8601, ends_on: 9.days.from_now.to_date.iso8601, deputy: t.pictured.public_id } } } },
    "DELETE /absence" => { to: "/absence" },
    "GET /p/:page_id/aside/new" => { to: ->(t) { "/p/#{t.page.to_param}/aside/new" } },
    "POST /p/:page_id/aside" => { to: ->(t) { "/p/#{t.page.to_param}/aside" }, with: { put_aside: { reason: "x" } } },
    "DELETE /p/:page_id/aside" => { to: ->(t) { "/p/#{t.page.to_param}/aside" } },
    "GET /p/:page_id/written-by" => { to: ->(t) { "/p/#{t.page.to_param}/written-by" } },
    "GET /p/:page_id/editions/:edition_id/retraction/new" => { to: ->(t) { "/p/#{t.page.to_param}/editions/1/retraction/new" } },
    "POST /p/:page_id/editions/:edition_id/retraction" => { to: ->(t) { "/p/#{t.page.to_param}/editions/1/retraction" }, with: { retraction: { reason: "x" } } },
    "GET /feeds/:token/p/:page_id/talk" => { to: "/feeds/#{"g" * 43}/p/0000000000/talk", html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /feeds/:token/p/:page_id" => { to: ->(t) { "/feeds/#{FeedKey.of(t.people[:reader]).token}/p/#{t.page.to_param}" }, json: [ 200 ] * 6 },
    "POST /feed_key" => { to: ->(t) { "/feed_key?page_id=#{t.page.to_param}" }, html: [ 404, 404, 303, 303, 303, 404 ] },
    "DELETE /feed_key" => { to: "/feed_key" },
    "POST /p/:page_id/sending_back" => { to: ->(t) { "/p/#{t.page.to_param}/sending_back" }, with: { review: { reason: "x" } }, html: [ 404, 404, 403, 403, 403, 404 ] },
    "GET /questions" => { to: "/questions" },
    "GET /person_choices" => { to: "/person_choices?q=ana", html: nil, json: :json },
    "GET /p/:page_id/remarks" => { to: ->(t) { "/p/#{t.page.to_param}/remarks" }, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/remarks/new" => { to: ->(t) { "/p/#{t.page.to_param}/remarks/new" } },
    "POST /p/:page_id/remarks" => { to: ->(t) { "/p/#{t.page.to_param}/remarks" }, with: ->(t) { { remark: { block: t.table, body: "Which?" } } } },
    "GET /p/:page_id/questions" => { to: ->(t) { "/p/#{t.page.to_param}/questions" } },
    "GET /p/:page_id/questions/new" => { to: ->(t) { "/p/#{t.page.to_param}/questions/new?body=grit" } },
    "POST /p/:page_id/questions" => { to: ->(t) { "/p/#{t.page.to_param}/questions" }, with: { remark: { body: "Where?" } } },
    "GET /p/:page_id/thread" => { to: ->(t) { "/p/#{t.page.to_param}/thread" } },
    "POST /p/:page_id/lines" => { to: ->(t) { "/p/#{t.page.to_param}/lines" }, with: { remark: { body: "Hm." } } },
    "GET /rooms/:room_id/thread" => { to: ->(t) { "/rooms/#{t.room.public_id}/thread" } },
    "POST /rooms/:room_id/lines" => { to: ->(t) { "/rooms/#{t.room.public_id}/lines" }, with: { remark: { body: "Hm." } } },
    "GET /remarks/:id" => { to: ->(t) { "/remarks/#{t.note.public_id}" } },
    "GET /remarks/:id/edit" => { to: ->(t) { "/remarks/#{t.note.public_id}/edit" }, html: :own_words },
    "PATCH /remarks/:id" => { to: ->(t) { "/remarks/#{t.note.public_id}" }, with: { remark: { body: "Better." } }, html: :own_words_act },
    "DELETE /remarks/:id" => { to: ->(t) { "/remarks/#{t.note.public_id}" }, html: :own_words_act },
    "POST /remarks/:remark_id/replies" => { to: ->(t) { "/remarks/#{t.note.public_id}/replies" }, with: { remark: { body: "Yes." } } },
    "POST /remarks/:remark_id/settlement" => { to: ->(t) { "/remarks/#{t.note.public_id}/settlement" } },
    "DELETE /remarks/:remark_id/settlement" => { to: ->(t) { "/remarks/#{t.note.public_id}/settlement" } },
    "POST /remarks/:remark_id/voice" => { to: ->(t) { "/remarks/#{t.note.public_id}/voice?kind=seen" } },
    "DELETE /remarks/:remark_id/voice" => { to: ->(t) { "/remarks/#{t.note.public_id}/voice" } },
    "POST /remarks/:remark_id/taking" => { to: ->(t) { "/remarks/#{t.proposal.public_id}/taking" } },
    "DELETE /remarks/:remark_id/taking" => { to: ->(t) { "/remarks/#{t.proposal.public_id}/taking" } },
    "PATCH /remarks/:remark_id/place" => { to: ->(t) { "/remarks/#{t.note.public_id}/place?candidate=0" } },
    "POST /remarks/:remark_id/choice" => { to: ->(t) { "/remarks/#{t.answer.public_id}/choice" }, html: :own_words_act },
    "DELETE /remarks/:remark_id/choice" => { to: ->(t) { "/remarks/#{t.answer.public_id}/choice" }, html: :own_words_act },
    "POST /remarks/:remark_id/section" => { to: ->(t) { "/remarks/#{t.answer.parent.public_id}/section" } },
    "POST /remarks/:remark_id/question" => { to: ->(t) { "/remarks/#{t.note.public_id}/question" } },
    "POST /remarks/:remark_id/page" => { to: ->(t) { "/remarks/#{t.note.public_id}/page" } },
    "GET /tasks" => { to: "/tasks" },
    "PATCH /p/:page_id/ticks/:id" => { to: ->(t) { "/p/#{t.page.to_param}/ticks/#{t.task.block_id}" }, with: { done: "1" }, json: [ 401, 404, 403, 200, 200, 404 ] },
    "POST /p/:page_id/texts" => { to: ->(t) { "/p/#{t.page.to_param}/texts" }, with: ->(_t) { { file: Rack::Test::UploadedFile.new(StringIO.new("# Grit"), "text/markdown", original_filename: "grit.md") } }, html: nil, json: [ 401, 404, 403, 201, 201, 404 ] },
    "GET /p/:page_id/files" => { to: ->(t) { "/p/#{t.page.to_param}/files" } },
    "POST /p/:page_id/files" => { to: ->(t) { "/p/#{t.page.to_param}/files" }, with: ->(t) { { file: t.upload } }, html: nil, json: [ 401, 404, 403, 201, 201, 404 ] },
    "GET /files/:id" => { to: ->(t) { "/files/#{t.shown_file.public_id}" }, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/states" => { to: ->(t) { "/p/#{t.page.to_param}/states" } },
    "GET /p/:page_id/states/:id" => { to: ->(t) { "/p/#{t.page.to_param}/states/#{t.page.drafts.first.id}" } },
    "PATCH /p/:page_id/states/:id" => { to: ->(t) { "/p/#{t.page.to_param}/states/#{t.page.drafts.first.id}" } },
    "GET /p/:page_id/disputes" => { to: ->(t) { "/p/#{t.page.to_param}/disputes" } },
    "PATCH /p/:page_id/disputes/:id" => { to: ->(t) { "/p/#{t.page.to_param}/disputes/#{t.dispute.id}" }, json: :json_draft },
    "DELETE /p/:page_id/disputes/:id" => { to: ->(t) { "/p/#{t.page.to_param}/disputes/#{t.dispute.id}" }, json: :json_draft },
    "GET /p/:page_id/publication/new" => { to: ->(t) { "/p/#{t.page.to_param}/publication/new" }, json: :json_draft },
    "GET /p/:page_id/joining/new" => { to: ->(t) { "/p/#{t.page.to_param}/joining/new" } },
    "POST /p/:page_id/joining" => { to: ->(t) { "/p/#{t.page.to_param}/joining?into=#{t.page.public_id}" }, html: [ 404, 404, 403, 403, 422, 404 ], json: nil },
    "GET /p/:page_id/split/new" => { to: ->(t) { "/p/#{t.page.to_param}/split/new" } },
    "POST /p/:page_id/split" => { to: ->(t) { "/p/#{t.page.to_param}/split" }, html: [ 404, 404, 403, 422, 422, 404 ], json: nil },
    "GET /p/:page_id/discard/new" => { to: ->(t) { "/p/#{t.page.to_param}/discard/new" } },
    "POST /p/:page_id/discard" => { to: ->(t) { "/p/#{t.page.to_param}/discard" }, with: { version: 4 } },
    "POST /p/:page_id/writer" => { to: ->(t) { "/p/#{t.page.to_param}/writer" }, html: :written, json: :json_draft },
    "GET /p/:page_id/markdown/edit" => { to: ->(t) { "/p/#{t.page.to_param}/markdown/edit" } },
    "POST /p/:page_id/markdown" => { to: ->(t) { "/p/#{t.page.to_param}/markdown" }, with: { text: "x" }, as: :json, html: nil, json: :json_draft },
    "PATCH /p/:page_id/markdown" => { to: ->(t) { "/p/#{t.page.to_param}/markdown" }, with: { text: "x", title: "T", base_version: 4 } },
    "GET /p/:page_id/preview" => { to: ->(t) { "/p/#{t.page.to_param}/preview" } },
    "GET /p/:page_id/tables/:id" => { to: ->(t) { "/p/#{t.page.to_param}/tables/#{t.table}" }, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/look/edit" => { to: ->(t) { "/p/#{t.page.to_param}/look/edit" } },
    "PATCH /p/:page_id/look" => { to: ->(t) { "/p/#{t.page.to_param}/look" }, with: { page: { icon: "anchor" } } },
    "GET /p/:page_id/template/edit" => { to: ->(t) { "/p/#{t.page.to_param}/template/edit" } },
    "PATCH /p/:page_id/template" => { to: ->(t) { "/p/#{t.page.to_param}/template" }, with: { template: { description: "x" } } },
    "DELETE /p/:page_id/template" => { to: ->(t) { "/p/#{t.page.to_param}/template" } },
    "GET /days" => { to: "/days?q=tomorrow", html: nil, json: :json },
    "GET /sources" => { to: "/sources", json: :json },
    "POST /sources" => { to: "/sources", with: { source: { title: "Ice at sea" } }, html: nil, json: [ 401, 201, 201, 201, 201, 201 ] },
    "GET /sources/:id/edit" => { to: ->(t) { "/sources/#{t.source.public_id}/edit" } },
    "PATCH /sources/:id" => { to: ->(t) { "/sources/#{t.source.public_id}" }, with: { source: { title: "Ice" } } },
    "DELETE /sources/:id" => { to: ->(t) { "/sources/#{t.source.public_id}" } },
    "GET /source_list" => { to: "/source_list?form=bibtex", json: :json },
    "POST /source_list" => { to: "/source_list" },
    "GET /arrivals/new" => { to: "/arrivals/new" },
    "POST /arrivals" => { to: "/arrivals", with: ->(t) { { files: [ t.upload ] } } },
    "GET /arrivals/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}" }, html: :own },
    "PATCH /arrivals/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}" }, with: ->(t) { { above: t.room.public_id } }, html: :own_act },
    "DELETE /arrivals/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}" }, html: :own_act },
    "GET /arrivals/:arrival_id/texts" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/texts" }, html: :own },
    "GET /arrivals/:arrival_id/texts/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/texts/#{t.arrival.files.first.key}" }, html: :own },
    "PATCH /arrivals/:arrival_id/texts/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/texts/#{t.arrival.files.first.key}" }, with: ->(_t) { { title: "Sand" } }, html: :own, json: [ 401, 404, 404, 404, 200, 404 ] },
    "GET /arrivals/:arrival_id/losses" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/losses" }, html: :own },
    "GET /arrivals/:arrival_id/place" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/place?above=#{t.room.public_id}" }, html: :own },
    "GET /arrivals/:arrival_id/sendings" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/sendings" }, html: :own, json: [ 401, 404, 404, 404, 200, 404 ] },
    "POST /arrivals/:arrival_id/sendings" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/sendings" }, with: ->(t) { { files: [ t.upload ], paths: [ "a/read.png" ] } }, html: [ 404, 404, 404, 404, 201, 404 ] },
    "POST /arrivals/:arrival_id/reading" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/reading" }, html: :own_act },
    "POST /arrivals/:arrival_id/undoing" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}/undoing" }, html: :nobody },
    "GET /page_choices" => { to: "/page_choices?q=x", html: nil, json: :json },
    "POST /pastes" => { to: "/pastes", with: { text: "x" }, as: :json, html: nil, json: :json },
    "ANY /404" => { to: "/404", html: :nobody },
    "ANY /500" => { to: "/500", html: [ 500 ] * 6, json: nil },
    "ANY /:status" => { to: "/422", html: [ 422 ] * 6, json: nil }
  }.freeze

  attr_reader :people, :pattern, :work, :pictured, :deck, :room, :page, :sibling, :binned, :grant, :page_grant, :mail, :signpost, :tag, :task, :shown_file, :source, :term, :arrival, :dispute, :note, :proposal, :answer, :invitation, :asking, :circle, :room_circle, :slip, :check, :helped

  setup do
    @people = { stranger: person("Sue Moor"), reader: person("Ben Holt"), writer: person("Wil Teal"), keeper: person("Ana Berg"), admin: person("Eve Lund", office: "administrator") }
    @people.each_value { Room.own_of(_1) } # as each has from the first sign-in, which is not what is asked here
    @deck = group("Deck", @people[:reader])
    @pattern = RoomPattern.department.tap(&:save!)
    @room = room_of(@people[:keeper])
    @page = new_page("Gangway in ice", above: @room, by: @people[:keeper], markdown: "Grit and the [list](promise:Sand).\n\n- [ ] Sweep\n\n| Stage |\n| --- |\n| Vikness |")
    @page.grant(holder(@deck), :read)
    @shown_file = show_file(@page, by: @people[:keeper])
    @sibling = new_page("Signals", above: @room, by: @people[:keeper])
    @binned = new_page("Thrown away", above: @room, by: @people[:keeper]).put_in_bin(by: @people[:keeper])
    @page.reload
    save_text(@page, "Grit, salt and the [list](promise:Sand).", by: @people[:writer])
    @page.reload
    @grant = @room.access_grants.find_by!(group: @deck)
    @page_grant = @page.access_grants.first
    @signpost = Signpost.create!(kind: "heading", title: "Winter", above: @room, before: @page)
    @page.tag_with([ "ice" ])
    @tag = Tag.find_by!(name: "ice")
    @task = @page.tasks.first
    @dispute = @page.disputes.create!(name: "title", value: "Salt on the gangway")
    @note = Remark.note(@page, Remark::OnText::Pointed.new(stage: "edition", block: table), by: @people[:keeper], body: "Which?")
    @proposal = Remark.note(@page, Remark::OnText::Pointed.new(stage: "edition", block: @page.edition.document["content"].first.dig("attrs", "id"), start: 0, length: 4), words: "Sand", by: @people[:keeper], body: "")
    @answer = Remark.say(@page, kind: "question", body: "Where?", by: @people[:keeper]).reply("Here.", by: @people[:keeper])
    @work = Work.create!(kind: "copying", person: @people[:keeper], page: @page, state: "done")
    @source = Source.enter({ title: "Salt and steel" }, by: @people[:keeper])
    @term = Term.create!(name: "swell")
    3.times { |i| Sought.create!(wording: "sand", digest: i.to_s, answered: false, day: Date.current) }
    @arrival = Arrival.create!(person: @people[:keeper], created_at: Time.current).tap { |arrival| arrival.keep([ [ "a.md", StringIO.new("Sand.") ] ]) }
    @invitation = Invitation.create!(email: "gita@x.example", role: "guest", page: @page, level: "read", inviter: @people[:keeper], token_digest: "x", created_at: Time.current, expires_at: 1.day.from_now)
    @slip = Slip.write(@people[:stranger]) && @people[:stranger].slip
    @circle, @room_circle = [ @page, @room ].map { |place| Circle.draw(place, level: "read", ends_on: Date.current + 9, by: @people[:keeper]).first }
    @asking = AccessRequest.ask(@people[:stranger], "/p/#{@page.to_param}")
    @check = Check.say(@page, by: @people[:keeper])
    @helped = HelpAnswer.give(@page, by: @people[:reader], helped: false)
    @tour = Tour.begin(@room, by: @people[:keeper]).tap { |tour| tour.say(@page, "edited") }
    @mail = SentMail.keep(recipient: "a@b.example", subject: "Word", body: "A word", secret: nil)
    @pictured = person("Pia Lind")
    @pictured.picture.attach(io: Rails.root.join("docs/screenshots/read.png").open, filename: "picture.png", content_type: "image/png")
  end

  test "every route is stated" do
    routes = Rails.application.routes.routes.reject(&:internal).map { |route| "#{route.verb.presence || "ANY"} #{route.path.spec.to_s.delete_suffix("(.:format)")}" }
    assert_equal [], routes.map { |route| route.sub(/\APUT/, "PATCH") }.uniq - DOORS.keys
    assert_equal [], DOORS.keys - routes
  end

  ASKED_INSIDE = %r{signposts|GET /up\z} # of the place that is named; of the framework's own

  test "every action stands behind a door, and only what is special is stated here" do
    assert_empty(DOORS.keys.reject { |name| DerivedAnswers.acts(name).any? || name.match?(ASKED_INSIDE) })
    assert_empty DOORS.select { |name, door| door[:html] && expected_of_all(door) == DerivedAnswers.of(name) }.keys
  end

  # A house is made for several doors at once; what is done at one is taken back before the next.
  DOORS.each_slice(16).with_index(1) do |doors, part|
    test "doors answer each as stated: part #{part}, from #{doors.first.first}" do
      doors.each { |name, door| taken_back { assert_answers(name, door) } }
    end
  end

  test "a page one may not see and one that does not exist answer with the same words" do
    [ nil, @people[:stranger], @people[:admin] ].each do |person|
      sign_in(person) if person
      hidden, missing = [ @page.public_id, "zzzzzzzzzz" ].map do |id|
        [ "", "/editions", "/editions/1", "/access", "/draft/edit", "/placement/edit", "/promise/new?title=Sand" ].map { |rest| get("/p/#{id}#{rest}") && words }
      end
      assert_equal missing, hidden
      assert_equal 1, hidden.uniq.size
    end
  end

  test "somebody else's grants cannot be changed through a place one keeps" do
    own = new_room("Ideas", keeper: @people[:stranger])
    sign_in(@people[:stranger])
    assert_no_changes(-> { @grant.reload.level }) { patch "/rooms/#{own.public_id}/access_grants/#{@grant.id}", params: { level: "keep" } }
    assert_response :not_found
  end

  test "nothing of a page leaks through rooms, the find field, pickers, home and linked from" do
    shown = new_page("Shown", above: new_room("Open", keeper: @people[:keeper], open: true), by: @people[:keeper], markdown: "See [the hidden one](page:#{@page.public_id}).")
    secret = new_page("Hidden pointer", above: @room, by: @people[:keeper], markdown: "See [it](page:#{shown.public_id}).")
    sign_in(@people[:stranger])
    [ "/", "/find?q=grit", "/find?q=gangway", "/find?q=hidden", "/page_choices?q=gang", "/suggestions?q=gang", "/suggestions?q=grit", "/p/new", "/p/#{shown.to_param}", "/p/#{shown.to_param}/access" ].each do |path|
      get path
      [ @page.title, @room.name, secret.title, @page.public_id, @sibling.title ].each { |word| assert_not_includes response.body, word, path }
    end
    get "/p/#{shown.to_param}"
    assert_select ".text", text: "See the hidden one."
    assert_select ".text a", count: 0
  end

  test "a draft's words and links show to its writers only" do
    sign_in(@people[:reader])
    get "/p/#{@page.to_param}"
    assert_select ".text", text: /Grit and the list/
    assert_not_includes response.body, "salt"
    sign_out :person
    sign_in(@people[:writer])
    get "/p/#{@page.to_param}/draft/edit"
    assert_includes response.body, "salt"
  end

  # @return [String] the token of a change of address that is asked for
  def email_token
    EmailChange.where(person: @people[:stranger]).delete_all
    "agreed-so".tap { |token| EmailChange.create!(person: @people[:stranger], email: "new@x.example", old_digest: EmailChange.digest("other"), new_digest: EmailChange.digest(token)) }
  end

  # @return [String] the id of a table of what is published
  def table
    Zuhause::Document::Walk.blocks(@page.edition.document).find { |block| block["type"] == "table" }.dig("attrs", "id")
  end

  # @return [Rack::Test::UploadedFile]
  def upload
    Rack::Test::UploadedFile.new(Rails.root.join("docs/screenshots/read.png"), "image/png")
  end

  private

  # Puts a picture at the end of what is published.
  def show_file(page, by:)
    file = PageFile.take(upload, page: page, by: by)
    document = page.draft.document
    page.save_draft(State.new(title: page.title, document: document.merge("content" => document["content"] + [ { "type" => "figure", "attrs" => { "file" => file.public_id } } ])), base_version: page.draft.version, save_id: "picture", by: by)
    page.publish(version: page.draft.version, by: by)
    file
  end

  def room_of(keeper)
    new_room("On Board", keeper: keeper).tap do |room|
      room.grant(holder(@deck), :read)
      room.grant(holder(@people[:writer]), :write)
    end
  end

  # Where nothing else is stated for JSON: who gets a page in HTML gets none in JSON, and who is not signed in is told so.
  def expected(stated, door, who)
    return stated[WHO.index(who)] if stated.is_a?(Array)
    return (ANSWERS[stated] || JSON[stated])[WHO.index(who)] unless stated == :derived

    status = expected(door[:html], door, who)
    return 401 if who == :outside && status == 404

    status == 200 ? 406 : status
  end

  def expected_of_all(door)
    door[:html].is_a?(Array) ? door[:html] : ANSWERS.fetch(door[:html])
  end

  def assert_answers(name, door)
    door = { html: DerivedAnswers.of(name) }.merge(door)
    { html: door[:html], json: door.fetch(:json, :derived) }.each do |format, stated|
      next unless stated

      ASKED.each { |who| taken_back { assert_answer(name, door, format, who, expected(stated, door, who)) } }
    end
  end

  def assert_answer(name, door, format, who, status)
    reset!
    sign_in(@people[who]) if who != :outside
    knock(name, door, format)
    assert_equal status, response.status, "#{who} at #{name} (#{format})"
  end

  def taken_back
    ActiveRecord::Base.transaction(requires_new: true) do
      yield
      raise ActiveRecord::Rollback
    end
    @page.reload
  end

  def knock(name, door, format)
    verb = name.split.first.downcase
    verb = "get" if verb == "any"
    to = door[:to].respond_to?(:call) ? door[:to].call(self) : door[:to]
    with = door[:with].respond_to?(:call) ? door[:with].call(self) : door[:with]
    with = { base_version: 4, save_id: "save-1", title: "T", document: Zuhause::Document.empty } if with == :draft
    send(verb, to, params: with, as: door[:as], headers: { "Accept" => format == :json ? "application/json" : "text/html" })
  end

  def words
    Nokogiri::HTML(response.body).tap { |doc| doc.css("[name=authenticity_token], meta, link, script").remove }.text.squish + response.status.to_s
  end
end
