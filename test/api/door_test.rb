# frozen_string_literal: true

require_relative "../support/http"

# Who may do what: every operation by every role, guesses, sessions and tokens.
class DoorTest < Minitest::Test
  include Http

  # bcrypt's least work, so that a table of sign-ins takes no minute.
  def people = @people ||= Gimlet::Store::People.new(database, cost: 4)

  # A shop's own database is not the demo's.
  def staff
    Gimlet::Store::Settings.new(database)[Gimlet::Demo::MARK] = nil
    Gimlet::Store::People::ROLES.each { |role| people.put(role, role, "secret #{role}") }
  end

  def sign_in(name, secret = "secret #{name}") = send_json("POST", "/api/session", name: name, secret: secret)

  # By hand from what each role is for: who may ask for what. Everybody else is refused.
  TABLE = {
    %w[health openapi session signIn signOut] => %w[nobody counter bench keeper owner],
    %w[vocabulary identify plan preview catalogue series measureSeal measureFlow chooseValve askMaterial] => %w[counter bench keeper owner],
    %w[customers openTickets openTicket freshTicket ticket addEntry sightings recordSighting placeOrder cancelOrder] => %w[counter owner],
    %w[orders order earlierOrder card strip bench noteAtBench] => %w[counter bench owner],
    %w[prices] => %w[counter keeper owner],
    %w[importSeries lookAtSeries putPrice lookAtPrices takePrices history historyTable] => %w[keeper owner],
    %w[people putPerson leave newToken backup] => %w[owner]
  }.freeze

  def operations
    Gimlet::API::Contract::DOCUMENT["paths"].flat_map do |path, item|
      item.slice("get", "post").map do |verb, row|
        [row["operationId"], verb.upcase, path.gsub(/\{\w+\}/, "1"), row.dig("requestBody", "content")&.keys&.first]
      end
    end
  end

  def test_every_operation_by_every_role
    staff
    assert_equal operations.map(&:first).sort, TABLE.keys.flatten.sort
    ["nobody", *Gimlet::Store::People::ROLES].each do |role|
      token = people.token("script of #{role}", role) unless role == "nobody"
      operations.each do |id, verb, path, media|
        allowed = TABLE.find { |ids, _| ids.include?(id) }.last.include?(role)
        bearer = { "HTTP_AUTHORIZATION" => token && "Bearer #{token}" }.compact
        custom_request(verb, path, {}, input: "{}", "CONTENT_TYPE" => media || "application/json", **bearer)
        turned_away = [401, 403].include?(last_response.status)
        assert_equal allowed, !turned_away, "#{id} by #{role}: #{last_response.status} #{last_response.body[0, 120]}"
      end
    end
  end

  def test_a_session_is_a_cookie_that_no_script_reads
    staff
    sign_in("counter")
    assert_equal [201, { "name" => "counter", "role" => "counter" }], [last_response.status, json["person"]]
    assert_schema "Session"
    assert_match(/gimlet_session=\S+; .*max-age=43200.*httponly; samesite=strict/i, last_response.headers["set-cookie"])
    view = send_json("POST", "/api/tickets", entry("said", words: "8 bolts", who: "somebody else"))
    assert_equal "counter", view["call"][0]["who"], "who is signed in is who it was"
    refute_includes database[:sessions].get(:digest), rack_mock_session.cookie_jar["gimlet_session"]
    database[:sessions].update(expires_at: Time.now.utc - 1)
    get "/api/tickets"
    assert_problem(401, "sign_in")
    sign_in("bench")
    get "/api/tickets"
    assert_problem(403, "not_your_role")
    send_json("POST", "/api/session/end", {})
    get "/api/orders"
    assert_problem(401, "sign_in")
  end

  def test_a_thousand_guesses_get_nowhere
    staff
    answers = Array.new(1000) { |at| sign_in("owner", format("%04d", at)) && json["code"] }
    assert_equal({ "wrong_secret" => Gimlet::Store::People::GUESSES, "locked" => 1000 - Gimlet::Store::People::GUESSES }, answers.tally)
    sign_in("owner")
    assert_problem(422, "locked")
    assert_match(/try again in 1 min/, json["detail"])
    database[:people].where(name: "owner").update(locked_until: Time.now.utc - 1)
    sign_in("owner", "wrong again")
    database[:people].where(name: "owner").select_map(:locked_until).each { |at| assert_in_delta 120, at - Time.now, 5 }
    sign_in("nobody here", "x")
    assert_problem(422, "wrong_secret")
  end

  def test_who_left_is_out_at_once
    staff
    sign_in("counter")
    assert people.remove("counter")
    get "/api/tickets"
    assert_problem(401, "sign_in")
    sign_in("counter")
    assert_problem(422, "wrong_secret")
    { %w[x chief 1234] => "unknown_role", %w[x counter 123] => "too_short", [" ", "counter", "1234"] => "missing" }.each do |wrong, code|
      assert_equal code, assert_raises(Gimlet::Core::InputError) { people.put(*wrong) }.code
    end
  end

  # On its own machine the demo asks for no secret, and answers what a script would try first; from anywhere else it does not.
  def test_the_demo_on_its_own_machine
    staff
    Gimlet::Store::Settings.new(database)[Gimlet::Demo::MARK] = "yes"
    afar = { "REMOTE_ADDR" => "192.168.1.9", "CONTENT_TYPE" => "application/json" }
    custom_request("POST", "/api/identify", {}, afar.merge(input: '{"text":"8 bolts"}'))
    assert_problem(401, "sign_in")
    custom_request("POST", "/api/session", {}, afar.merge(input: '{"name":"owner"}'))
    assert_problem(422, "wrong_secret")
    send_json("POST", "/api/identify", text: "8 bolts")
    assert_equal 200, last_response.status
    send_json("POST", "/api/session", name: "owner")
    assert_equal [201, true, "owner"], [last_response.status, json["demo"], json["person"]["role"]]
  end
end
