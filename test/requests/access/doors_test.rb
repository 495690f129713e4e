require "test_helper"

# Every door of the house: each route, verb and format has a stated answer for whoever knocks. A route that is not
# stated here fails the test.
class DoorsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  WHO = %i[outside stranger reader writer keeper admin].freeze
  ASKED = ENV["QUICK"] ? %i[outside reader keeper] : WHO

  ANSWERS = {
    all: [ 200, 200, 200, 200, 200, 200 ],
    home: [ 302, 200, 200, 200, 200, 200 ],
    members: [ 404, 200, 200, 200, 200, 200 ],
    members_act: [ 404, 303, 303, 303, 303, 303 ],
    seen: [ 404, 404, 200, 200, 200, 404 ],
    seen_act: [ 404, 404, 303, 303, 303, 404 ],
    written: [ 404, 404, 403, 200, 200, 404 ],
    written_act: [ 404, 404, 403, 303, 303, 404 ],
    draft_only: [ 404, 404, 404, 200, 200, 404 ],
    put_back: [ 404, 404, 404, 303, 303, 404 ],
    erase_view: [ 404, 404, 404, 403, 200, 404 ],
    erase_act: [ 404, 404, 404, 403, 303, 404 ],
    kept_view: [ 404, 404, 403, 403, 200, 404 ],
    kept_act: [ 404, 404, 403, 403, 303, 404 ],
    added: [ 404, 403, 403, 303, 303, 403 ], # makes something new in a place that is named: whoever does not see it may not
    own: [ 404, 404, 404, 404, 200, 404 ], # what somebody brought in, and nobody else
    own_act: [ 404, 404, 404, 404, 303, 404 ],
    office: [ 404, 403, 403, 403, 403, 200 ],
    office_act: [ 404, 403, 403, 403, 403, 303 ],
    nobody: [ 404, 404, 404, 404, 404, 404 ]
  }.freeze

  # Answers to the same in JSON, where it comes in JSON; elsewhere they follow from the answers above.
  JSON = {
    json: [ 401, 200, 200, 200, 200, 200 ],
    json_draft: [ 401, 404, 403, 200, 200, 404 ],
    json_move: [ 401, 404, 403, 200, 200, 404 ],
    json_publish: [ 401, 404, 403, 201, 201, 404 ]
  }.freeze

  DOORS = {
    "GET /sign-in" => { to: "/sign-in", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "POST /sign-in" => { to: "/sign-in", html: [ 422, 302, 302, 302, 302, 302 ], json: nil },
    "DELETE /sign-out" => { to: "/sign-out", html: [ 303 ] * 6, json: nil },
    "GET /" => { to: "/", html: :home },
    "GET /find" => { to: "/find?q=grit", html: :all },
    "GET /suggestions" => { to: "/suggestions?q=grit", html: :all },
    "GET /set-up/new" => { to: "/set-up/new", html: :nobody, json: :nobody },
    "POST /set-up" => { to: "/set-up", html: :nobody, json: :nobody },
    "POST /demo_session" => { to: ->(t) { "/demo_session?person=#{t.people[:keeper].public_id}" }, html: :nobody },
    "GET /password/new" => { to: "/password/new", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "POST /password" => { to: "/password", with: { person: { email: "nobody@x.example" } }, html: [ 303, 302, 302, 302, 302, 302 ], json: nil },
    "GET /password/edit" => { to: "/password/edit?reset_password_token=x", html: [ 200, 302, 302, 302, 302, 302 ], json: nil },
    "PATCH /password" => { to: "/password", with: { person: { reset_password_token: "x", password: "another-long-one" } }, html: [ 422, 302, 302, 302, 302, 302 ], json: nil },
    "DELETE /profile/sessions" => { to: "/profile/sessions", html: :members_act },
    "GET /profile/password/edit" => { to: "/profile/password/edit", html: :members },
    "PATCH /profile/password" => { to: "/profile/password", with: { person: { current_password: HouseBuilding::PASSWORD, password: "another-long-one" } }, html: :members_act, json: nil },
    "POST /profile/picture" => { to: "/profile/picture", html: :members_act },
    "DELETE /profile/picture" => { to: "/profile/picture", html: :members_act },
    "GET /people/:person_id/picture" => { to: ->(t) { "/people/#{t.pictured.public_id}/picture" }, html: :members, json: [ 401, 200, 200, 200, 200, 200 ] },
    "PATCH /people/:person_id/role" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/role" }, with: { person: { role: "guest" }, confirmed: 1 }, html: :office_act },
    "POST /people/:person_id/suspension" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/suspension" }, with: { confirmed: 1 }, html: [ 404, 403, 403, 403, 403, 303 ] },
    "DELETE /people/:person_id/suspension" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/suspension" }, with: { confirmed: 1 }, html: :office_act },
    "POST /people/:person_id/password_mail" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/password_mail" }, html: :office_act },
    "DELETE /people/:person_id/sessions" => { to: ->(t) { "/people/#{t.people[:stranger].public_id}/sessions" }, html: :office_act },
    "GET /address/:id" => { to: ->(t) { "/address/#{t.email_token}" }, html: :all },
    "PATCH /address/:id" => { to: ->(t) { "/address/#{t.email_token}" }, html: [ 303 ] * 6 },
    "GET /mailbox/:id" => { to: ->(t) { "/mailbox/#{t.people[:keeper].public_id}" }, html: :nobody, json: [ 401, 404, 404, 404, 404, 404 ] },
    "GET /record" => { to: "/record", html: :office },
    "GET /mails" => { to: "/mails", html: :office },
    "GET /mails/:id" => { to: ->(t) { "/mails/#{t.mail.id}" }, html: :office },
    "GET /pages" => { to: "/pages", html: :members },
    "GET /rooms/:room_id/pages" => { to: ->(t) { "/rooms/#{t.room.public_id}/pages" }, html: :seen },
    "GET /rooms/:room_id/branches" => { to: ->(t) { "/rooms/#{t.room.public_id}/branches?above=#{t.page.public_id}" }, html: :seen },
    "GET /rooms/:room_id/signposts/new" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/new" }, html: :written },
    "POST /rooms/:room_id/signposts" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts" }, with: { signpost: { kind: "heading", title: "Drills" } }, html: :written_act },
    "GET /rooms/:room_id/signposts/:id/edit" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}/edit" }, html: :written },
    "PATCH /rooms/:room_id/signposts/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}" }, with: { signpost: { title: "Other" } }, html: :written_act },
    "DELETE /rooms/:room_id/signposts/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}" }, html: :written_act },
    "PATCH /rooms/:room_id/signposts/:signpost_id/placement" => { to: ->(t) { "/rooms/#{t.room.public_id}/signposts/#{t.signpost.id}/placement" }, with: ->(t) { { above: t.page.public_id } }, html: nil, json: :json_move },
    "POST /rooms/:room_id/archive" => { to: ->(t) { "/rooms/#{t.room.public_id}/archive" }, html: :kept_act },
    "DELETE /rooms/:room_id/archive" => { to: ->(t) { "/rooms/#{t.room.public_id}/archive" }, html: :kept_act },
    "PATCH /rooms/:room_id/rank" => { to: ->(t) { "/rooms/#{t.room.public_id}/rank?to=down" }, html: [ 404, 403, 403, 403, 403, 404 ] },
    "GET /tags" => { to: "/tags", html: :members },
    "GET /tags/:id" => { to: ->(t) { "/tags/#{t.tag.public_id}" }, html: :seen },
    "GET /tags/:id/edit" => { to: ->(t) { "/tags/#{t.tag.public_id}/edit" }, html: :written },
    "PATCH /tags/:id" => { to: ->(t) { "/tags/#{t.tag.public_id}" }, with: { tag: { name: "winter" } }, html: :written_act },
    "DELETE /tags/:id" => { to: ->(t) { "/tags/#{t.tag.public_id}" }, html: :written_act },
    "POST /selections/binning" => { to: "/selections/binning", with: ->(t) { { pages: [ t.page.public_id ], confirmed: 1 } }, html: :members_act },
    "DELETE /selections/binning" => { to: "/selections/binning", with: ->(t) { { pages: [ t.binned.public_id ] } }, html: :members_act },
    "POST /selections/placement" => { to: "/selections/placement", with: ->(t) { { pages: [ t.page.public_id ], above: t.sibling.public_id } }, html: :members_act },
    "POST /selections/tagging" => { to: "/selections/tagging", with: ->(t) { { pages: [ t.page.public_id ], tags: "cold" } }, html: :members_act },
    "POST /selections/pin" => { to: "/selections/pin", with: ->(t) { { pages: [ t.page.public_id ] } }, html: :members_act },
    "GET /p/:page_id/tagging/edit" => { to: ->(t) { "/p/#{t.page.to_param}/tagging/edit" }, html: :written },
    "PATCH /p/:page_id/tagging" => { to: ->(t) { "/p/#{t.page.to_param}/tagging" }, with: { tags: "ice, cold" }, html: :written_act },
    "POST /p/:page_id/pin" => { to: ->(t) { "/p/#{t.page.to_param}/pin" }, html: :seen_act },
    "DELETE /p/:page_id/pin" => { to: ->(t) { "/p/#{t.page.to_param}/pin" }, html: :seen_act },
    "GET /p/:page_id/copy/new" => { to: ->(t) { "/p/#{t.page.to_param}/copy/new" }, html: :seen },
    "POST /p/:page_id/copy" => { to: ->(t) { "/p/#{t.page.to_param}/copy" }, with: ->(t) { { above: t.room.public_id, title: "Again" } }, html: :written_act },
    "GET /place_choices" => { to: "/place_choices?q=gang", html: :members },
    "GET /profile/edit" => { to: "/profile/edit", html: :members },
    "PATCH /profile" => { to: "/profile", with: { person: { theme: "dark", name: "Somebody", office: "owner", role: "guest" } }, html: :members_act },
    "GET /house/edit" => { to: "/house/edit", html: :office },
    "PATCH /house" => { to: "/house", with: { house: { name: "Other", demo: true } }, html: :office_act },
    "GET /people" => { to: "/people", html: :office },
    "GET /people/new" => { to: "/people/new", html: :office },
    "POST /people" => { to: "/people", with: { person: { name: "New", email: "new@x.example", password: "long enough" } }, html: :office_act },
    "GET /people/:id/edit" => { to: ->(t) { "/people/#{t.people[:reader].public_id}/edit" }, html: :office },
    "PATCH /people/:id" => { to: ->(t) { "/people/#{t.people[:reader].public_id}" }, with: { person: { name: "Other" } }, html: :office_act },
    "GET /groups" => { to: "/groups", html: :office },
    "GET /groups/new" => { to: "/groups/new", html: :office },
    "POST /groups" => { to: "/groups", with: { group: { name: "Engine" } }, html: :office_act },
    "GET /groups/:id/edit" => { to: ->(t) { "/groups/#{t.deck.public_id}/edit" }, html: :office },
    "PATCH /groups/:id" => { to: ->(t) { "/groups/#{t.deck.public_id}" }, with: { group: { name: "Other" }, confirmed: 1 }, html: :office_act },
    "DELETE /groups/:id" => { to: ->(t) { "/groups/#{t.deck.public_id}" }, with: { confirmed: 1 }, html: :office_act },
    "GET /takeovers" => { to: "/takeovers", html: :office },
    "POST /takeovers" => { to: ->(t) { "/takeovers?place=#{t.room.public_id}" }, html: :office_act },
    "GET /rooms/new" => { to: "/rooms/new", html: :members },
    "POST /rooms" => { to: "/rooms", with: { room: { name: "Mine", colour: "moss" } }, html: :members_act },
    "GET /rooms/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}" }, html: :seen },
    "GET /rooms/:id/edit" => { to: ->(t) { "/rooms/#{t.room.public_id}/edit" }, html: :kept_view },
    "PATCH /rooms/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}" }, with: { room: { name: "Other" } }, html: :kept_act },
    "GET /rooms/:room_id/access" => { to: ->(t) { "/rooms/#{t.room.public_id}/access" }, html: :seen },
    "GET /rooms/:room_id/access_grants/new" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants/new?level=read&holders[]=everyone" }, html: nil, json: [ 401, 404, 403, 403, 200, 404 ] },
    "POST /rooms/:room_id/access_grants" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants" }, with: { holders: [ "everyone" ], level: "read", confirmed: 1 }, html: :kept_act },
    "PATCH /rooms/:room_id/access_grants/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants/#{t.grant.id}" }, with: { level: "comment", confirmed: 1 }, html: :kept_act },
    "DELETE /rooms/:room_id/access_grants/:id" => { to: ->(t) { "/rooms/#{t.room.public_id}/access_grants/#{t.grant.id}" }, with: { confirmed: 1 }, html: :kept_act },
    "GET /p/new" => { to: ->(t) { "/p/new?above=#{t.room.public_id}" }, html: :members },
    "POST /p" => { to: ->(t) { "/p?above=#{t.room.public_id}" }, with: { page: { title: "New" } }, html: :added },
    "GET /p/:id" => { to: ->(t) { "/p/#{t.page.to_param}" }, html: :seen },
    "GET /p/:page_id/access" => { to: ->(t) { "/p/#{t.page.to_param}/access" }, html: :seen },
    "GET /p/:page_id/access_grants/new" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants/new?level=read&holders[]=everyone" }, html: nil, json: [ 401, 404, 403, 403, 200, 404 ] },
    "POST /p/:page_id/access_grants" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants" }, with: { holders: [ "everyone" ], level: "read", confirmed: 1 }, html: :kept_act },
    "PATCH /p/:page_id/access_grants/:id" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants/#{t.page_grant.id}" }, with: { level: "comment", confirmed: 1 }, html: :kept_act },
    "DELETE /p/:page_id/access_grants/:id" => { to: ->(t) { "/p/#{t.page.to_param}/access_grants/#{t.page_grant.id}" }, with: { confirmed: 1 }, html: :kept_act },
    "GET /p/:page_id/draft/edit" => { to: ->(t) { "/p/#{t.page.to_param}/draft/edit" }, html: :written },
    "PATCH /p/:page_id/draft" => { to: ->(t) { "/p/#{t.page.to_param}/draft" }, with: :draft, as: :json, html: nil, json: :json_draft },
    "POST /p/:page_id/publication" => { to: ->(t) { "/p/#{t.page.to_param}/publication" }, with: { version: 4 }, html: :written_act, json: :json_publish },
    "POST /p/:page_id/own_list" => { to: ->(t) { "/p/#{t.page.to_param}/own_list" }, html: :kept_act },
    "DELETE /p/:page_id/own_list" => { to: ->(t) { "/p/#{t.page.to_param}/own_list" }, html: :kept_act },
    "GET /p/:page_id/title/edit" => { to: ->(t) { "/p/#{t.page.to_param}/title/edit" }, html: :written },
    "PATCH /p/:page_id/title" => { to: ->(t) { "/p/#{t.page.to_param}/title" }, with: { page: { title: "Other" } }, html: :written_act },
    "GET /p/:page_id/binning/new" => { to: ->(t) { "/p/#{t.page.to_param}/binning/new" }, html: :written },
    "POST /p/:page_id/binning" => { to: ->(t) { "/p/#{t.page.to_param}/binning" }, html: :written_act },
    "DELETE /p/:page_id/binning" => { to: ->(t) { "/p/#{t.binned.to_param}/binning" }, html: :put_back },
    "GET /p/:page_id/erasure/new" => { to: ->(t) { "/p/#{t.binned.to_param}/erasure/new" }, html: :erase_view },
    "POST /p/:page_id/erasure" => { to: ->(t) { "/p/#{t.binned.to_param}/erasure" }, html: :erase_act },
    "GET /rooms/:room_id/bin" => { to: ->(t) { "/rooms/#{t.room.public_id}/bin" }, html: :draft_only },
    "GET /p/:page_id/placement/edit" => { to: ->(t) { "/p/#{t.page.to_param}/placement/edit" }, html: :written },
    "PATCH /p/:page_id/placement" => { to: ->(t) { "/p/#{t.page.to_param}/placement" }, with: ->(t) { { above: t.sibling.public_id } }, html: :written_act, json: :json_move },
    "GET /p/:page_id/promise/new" => { to: ->(t) { "/p/#{t.page.to_param}/promise/new?title=Sand" }, html: :seen },
    "POST /p/:page_id/promise" => { to: ->(t) { "/p/#{t.page.to_param}/promise?title=Sand" }, with: { page: { title: "Sand" } }, html: :written_act },
    "GET /p/:page_id/editions" => { to: ->(t) { "/p/#{t.page.to_param}/editions" }, html: :seen },
    "GET /p/:page_id/editions/:id" => { to: ->(t) { "/p/#{t.page.to_param}/editions/1" }, html: :seen },
    "POST /p/:page_id/editions/:edition_id/restoration" => { to: ->(t) { "/p/#{t.page.to_param}/editions/1/restoration" }, html: :written_act },
    "GET /p/:page_id/comparison" => { to: ->(t) { "/p/#{t.page.to_param}/comparison?from=1&to=draft" }, html: :draft_only },
    "POST /p/:page_id/put_backs" => { to: ->(t) { "/p/#{t.page.to_param}/put_backs?from=1&change=0&version=4" }, html: :written_act },
    "GET /p/:page_id/passages" => { to: ->(t) { "/p/#{t.page.to_param}/passages" }, html: nil, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/withheld_insert" => { to: ->(t) { "/p/#{t.page.to_param}/withheld_insert?page=#{t.sibling.public_id}" }, html: nil, json: :json_draft },
    "GET /live_inserts" => { to: ->(t) { "/live_inserts?page=#{t.page.public_id}" }, html: :seen, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /tasks" => { to: "/tasks", html: :members },
    "PATCH /p/:page_id/ticks/:id" => { to: ->(t) { "/p/#{t.page.to_param}/ticks/#{t.task.block_id}" }, with: { done: "1" }, html: [ 404, 404, 403, 303, 303, 404 ], json: [ 401, 404, 403, 200, 200, 404 ] },
    "POST /p/:page_id/texts" => { to: ->(t) { "/p/#{t.page.to_param}/texts" }, with: ->(_t) { { file: Rack::Test::UploadedFile.new(StringIO.new("# Grit"), "text/markdown", original_filename: "grit.md") } }, html: nil, json: [ 401, 404, 403, 201, 201, 404 ] },
    "POST /p/:page_id/files" => { to: ->(t) { "/p/#{t.page.to_param}/files" }, with: ->(t) { { file: t.upload } }, html: nil, json: [ 401, 404, 403, 201, 201, 404 ] },
    "GET /files/:id" => { to: ->(t) { "/files/#{t.shown_file.public_id}" }, html: :seen, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/states" => { to: ->(t) { "/p/#{t.page.to_param}/states" }, html: :written },
    "GET /p/:page_id/states/:id" => { to: ->(t) { "/p/#{t.page.to_param}/states/#{t.page.drafts.first.id}" }, html: :written },
    "PATCH /p/:page_id/states/:id" => { to: ->(t) { "/p/#{t.page.to_param}/states/#{t.page.drafts.first.id}" }, html: :written_act },
    "GET /p/:page_id/publication/new" => { to: ->(t) { "/p/#{t.page.to_param}/publication/new" }, html: :written, json: :json_draft },
    "GET /p/:page_id/discard/new" => { to: ->(t) { "/p/#{t.page.to_param}/discard/new" }, html: :written },
    "POST /p/:page_id/discard" => { to: ->(t) { "/p/#{t.page.to_param}/discard" }, with: { version: 4 }, html: :written_act },
    "POST /p/:page_id/writer" => { to: ->(t) { "/p/#{t.page.to_param}/writer" }, html: :written, json: :json_draft },
    "GET /p/:page_id/markdown/edit" => { to: ->(t) { "/p/#{t.page.to_param}/markdown/edit" }, html: :written },
    "POST /p/:page_id/markdown" => { to: ->(t) { "/p/#{t.page.to_param}/markdown" }, with: { text: "x" }, as: :json, html: nil, json: :json_draft },
    "PATCH /p/:page_id/markdown" => { to: ->(t) { "/p/#{t.page.to_param}/markdown" }, with: { text: "x", title: "T", base_version: 4 }, html: :written_act },
    "GET /p/:page_id/preview" => { to: ->(t) { "/p/#{t.page.to_param}/preview" }, html: :written },
    "GET /p/:page_id/tables/:id" => { to: ->(t) { "/p/#{t.page.to_param}/tables/#{t.table}" }, html: :seen, json: [ 401, 404, 200, 200, 200, 404 ] },
    "GET /p/:page_id/look/edit" => { to: ->(t) { "/p/#{t.page.to_param}/look/edit" }, html: :written },
    "PATCH /p/:page_id/look" => { to: ->(t) { "/p/#{t.page.to_param}/look" }, with: { page: { icon: "anchor" } }, html: :written_act },
    "GET /p/:page_id/template/edit" => { to: ->(t) { "/p/#{t.page.to_param}/template/edit" }, html: :kept_view },
    "PATCH /p/:page_id/template" => { to: ->(t) { "/p/#{t.page.to_param}/template" }, with: { template: { description: "x" } }, html: :kept_act },
    "DELETE /p/:page_id/template" => { to: ->(t) { "/p/#{t.page.to_param}/template" }, html: :kept_act },
    "GET /days" => { to: "/days?q=tomorrow", html: nil, json: :json },
    "GET /sources" => { to: "/sources", html: :members, json: :json },
    "POST /sources" => { to: "/sources", with: { source: { title: "Ice at sea" } }, html: nil, json: [ 401, 201, 201, 201, 201, 201 ] },
    "GET /sources/:id/edit" => { to: ->(t) { "/sources/#{t.source.public_id}/edit" }, html: :members },
    "PATCH /sources/:id" => { to: ->(t) { "/sources/#{t.source.public_id}" }, with: { source: { title: "Ice" } }, html: :members_act },
    "DELETE /sources/:id" => { to: ->(t) { "/sources/#{t.source.public_id}" }, html: :members_act },
    "GET /source_list" => { to: "/source_list?form=bibtex", html: :members, json: :json },
    "POST /source_list" => { to: "/source_list", html: :members_act },
    "GET /arrivals/new" => { to: "/arrivals/new", html: :members },
    "POST /arrivals" => { to: "/arrivals", with: ->(t) { { files: [ t.upload ] } }, html: :members_act },
    "GET /arrivals/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}" }, html: :own },
    "PATCH /arrivals/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}" }, with: ->(t) { { above: t.room.public_id } }, html: :own_act },
    "DELETE /arrivals/:id" => { to: ->(t) { "/arrivals/#{t.arrival.public_id}" }, html: :own_act },
    "GET /page_choices" => { to: "/page_choices?q=x", html: nil, json: :json },
    "POST /pastes" => { to: "/pastes", with: { text: "x" }, as: :json, html: nil, json: :json },
    "ANY /404" => { to: "/404", html: :nobody },
    "ANY /500" => { to: "/500", html: [ 500 ] * 6, json: nil },
    "ANY /:status" => { to: "/422", html: [ 422 ] * 6, json: nil }
  }.freeze

  attr_reader :people, :pictured, :deck, :room, :page, :sibling, :binned, :grant, :page_grant, :mail, :signpost, :tag, :task, :shown_file, :source, :arrival

  setup do
    @people = { stranger: person("Sue Moor"), reader: person("Ben Holt"), writer: person("Wil Teal"), keeper: person("Ana Berg"), admin: person("Eve Lund", office: "administrator") }
    @people.each_value { Room.own_of(_1) } # as each has from the first sign-in, which is not what is asked here
    @deck = group("Deck", @people[:reader])
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
    @source = Source.enter({ title: "Salt and steel" }, by: @people[:keeper])
    @arrival = Arrival.create!(person: @people[:keeper], created_at: Time.current)
    @mail = SentMail.keep(recipient: "a@b.example", subject: "Word", body: "A word", secret: nil)
    @pictured = person("Pia Lind")
    @pictured.picture.attach(io: Rails.root.join("docs/screenshots/read.png").open, filename: "picture.png", content_type: "image/png")
  end

  test "every route is stated" do
    routes = Rails.application.routes.routes.reject(&:internal).map { |route| "#{route.verb.presence || "ANY"} #{route.path.spec.to_s.delete_suffix("(.:format)")}" }
    assert_equal [], routes.map { |route| route.sub(/\APUT/, "PATCH") }.uniq - DOORS.keys
    assert_equal [], DOORS.keys - routes
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

  def assert_answers(name, door)
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
