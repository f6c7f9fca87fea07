# frozen_string_literal: true

require "minitest/mock"
require_relative "../support/http"

# Sessions, guesses at secrets, tills that are known, and the demo's one key.
class SignInTest < Minitest::Test
  include Http

  AFAR = "192.168.1.9"

  # bcrypt's least work, so that a table of sign-ins takes no minute.
  def people = @people ||= Gimlet::Store::People.new(database, cost: 4)
  def app = @app ||= Gimlet::API::App.new(Gimlet::Counter::Shop.new(database), demo: false)
  def staff = Gimlet::Core::Roles::ALL.each { |role| people.upsert("the #{role}", role, "secret #{role}") }

  def from(address, verb, path, body = nil, **headers)
    custom_request(verb, path, {}, input: body ? JSON.generate(body) : "", "CONTENT_TYPE" => "application/json", "REMOTE_ADDR" => address, **headers)
    json
  end

  def sign_in(role, secret = "secret #{role}", address: "127.0.0.1") = from(address, "POST", "/api/session", { name: "the #{role}", secret: secret })

  def test_a_session_is_a_cookie_that_no_script_reads
    staff
    sign_in("counter")
    assert_equal [201, { "name" => "the counter", "role" => "counter", "home" => "/" }], [last_response.status, json["person"]]
    assert_schema "Session"
    cookies = Array(last_response.headers["set-cookie"]).join("\n")
    assert_match(/gimlet_session=\S+; .*max-age=43200.*httponly; samesite=strict/i, cookies)
    assert_match(/gimlet_till=\S+; .*max-age=31536000.*httponly; samesite=strict/i, cookies)
    view = send_json("POST", "/api/tickets", entry("said", words: "8 bolts", who: "somebody else"))
    assert_equal "the counter", view["call"][0]["who"], "who is signed in is who it was"
    refute_includes database[:sessions].get(:digest), rack_mock_session.cookie_jar["gimlet_session"]
    send_json("POST", "/api/session/end", {})
    get "/api/orders"
    assert_problem(401, "sign_in")
  end

  # A working day from its beginning, whatever the clock does in between; and reading it writes nothing.
  def test_a_session_ends_by_itself
    staff
    sign_in("counter")
    began = database[:sessions].get(:began_at)
    { -13 * 3600 => 401, -11 * 3600 => 200, 365 * 86_400 => 401 }.each do |seconds, status|
      database[:sessions].update(began_at: began + seconds)
      get "/api/tickets"
      assert_equal status, last_response.status, seconds
    end
    database[:sessions].update(began_at: began)
    readonly = Sequel.connect(adapter: "sqlite", database: database.opts[:database], readonly: true)
    @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(readonly))
    rack_mock_session.instance_variable_set(:@app, @app)
    %w[/api/tickets /api/orders /api/customers /api/catalogue /api/vocabulary /api/session].each do |path|
      get path
      assert_equal 200, last_response.status, path
    end
    send_json("POST", "/api/preview", words: "8 bolts")
    assert_equal 200, last_response.status
    readonly.disconnect
  end

  def test_another_person_at_the_till_ends_the_session_before
    staff
    sign_in("counter")
    first = rack_mock_session.cookie_jar["gimlet_session"]
    sign_in("bench")
    get "/api/tickets"
    assert_problem(403, "not_your_role")
    clear_cookies
    get "/api/tickets", {}, "HTTP_COOKIE" => "gimlet_session=#{first}"
    assert_problem(401, "sign_in")
    sessions = Gimlet::Store::Sessions.new(database)
    25.times { sessions.begin(people.named("the counter")) }
    assert_equal Gimlet::Store::Sessions::MOST, database[:sessions].where(person_id: people.named("the counter").id).count
  end

  def test_a_thousand_guesses_get_nowhere
    staff
    answers = Array.new(1000) { |at| sign_in("owner", format("%04d", at)) && json["code"] }
    assert_equal({ "wrong_secret" => 5, "locked" => 995 }, answers.tally)
    sign_in("owner")
    assert_problem(422, "locked")
    assert_match(/try again in 1 min/, json["detail"])
    database[:sign_in_attempts].update(locked_until: Time.now.utc - 1)
    sign_in("owner", "wrong again")
    assert_in_delta 120, database[:sign_in_attempts].where(counted: "name the owner").get(:locked_until) - Time.now, 5
    assert_equal 6, database[:history].where(what: "sign-in refused").count, "locked guesses fill no history"
    from("10.0.0.8", "POST", "/api/session", { name: "THE Owner", secret: "secret owner" })
    assert_problem(422, "locked")
    from("10.0.0.8", "POST", "/api/session", { name: " the BENCH ", secret: "secret bench" })
    assert_equal "the bench", json["person"]["name"], "a name is typed as it comes"
  end

  # Twenty at once were twenty guesses before the lock.
  def test_guesses_at_once_are_counted_before_they_are_weighed
    staff
    slow = Gimlet::Store::People.new(database, cost: 9)
    slow.upsert("the owner", "owner", "secret owner")
    apps = Array.new(4) { Gimlet::API::App.new(Gimlet::Counter::Shop.new(Gimlet::Store.file(database.opts[:database]))) }
    codes = Array.new(20) do |at|
      Thread.new do
        env = Rack::MockRequest.env_for("/api/session", method: "POST", input: JSON.generate(name: "the owner", secret: "guess #{at}"),
                                                        "CONTENT_TYPE" => "application/json", "REMOTE_ADDR" => "10.0.0.#{at}")
        JSON.parse(apps[at % 4].call(env).last.join)["code"]
      end
    end.map(&:value)
    assert_equal({ "locked" => 15, "wrong_secret" => 5 }, codes.tally.sort.to_h)
  end

  # Four guesses at each of eight names locked nobody; now the address waits.
  def test_a_few_guesses_at_many_names
    8.times { |at| people.upsert("person #{at}", "counter", "4#{at}17") }
    codes = Array.new(32) { |at| from(AFAR, "POST", "/api/session", { name: "person #{at / 4}", secret: "0000" })["code"] }
    assert_equal({ "wrong_secret" => 10, "locked" => 22 }, codes.tally)
    elsewhere = Array.new(40) { |at| from("10.1.0.#{at}", "POST", "/api/session", { name: "nobody #{at}", secret: "0000" })["code"] }
    assert_equal 20, elsewhere.count("wrong_secret"), "thirty guesses by strangers, whatever their addresses"
  end

  def test_strangers_lock_nobody_out_of_a_till_that_is_known
    staff
    sign_in("owner")
    send_json("POST", "/api/session/end", {})
    till = rack_mock_session.cookie_jar["gimlet_till"]
    clear_cookies
    12.times { |at| sign_in("owner", "guess #{at}", address: AFAR) }
    sign_in("owner", address: AFAR)
    assert_problem(422, "locked")
    from(AFAR, "POST", "/api/session", { name: "the owner", secret: "secret owner" }, "HTTP_COOKIE" => "gimlet_till=#{till}")
    assert_equal 201, last_response.status, "the owner's own till"
    clear_cookies
    codes = Array.new(7) do
      from("10.0.0.3", "POST", "/api/session", { name: "the owner", secret: "x" }, "HTTP_COOKIE" => "gimlet_till=#{till}")["code"]
    end
    assert_equal({ "wrong_secret" => 5, "locked" => 2 }, codes.tally, "a stolen till has its own count")
  end

  # A new till in the shop, while somebody unknown guesses from elsewhere; and one in the shop that guesses itself.
  def test_strangers_elsewhere_lock_nobody_out_of_a_new_till_of_the_shop
    staff
    sign_in("bench", address: "10.0.0.3")
    clear_cookies
    40.times { |at| sign_in("owner", "guess #{at}", address: "203.0.113.#{at}") }
    sign_in("owner", address: "203.0.113.200")
    assert_problem(422, "locked")
    sign_in("owner", address: "10.0.0.3")
    assert_equal 201, last_response.status, "a new till beside the bench's"
    clear_cookies
    codes = Array.new(7) { sign_in("keeper", "x", address: "10.0.0.3")["code"] }
    assert_equal({ "wrong_secret" => 5, "locked" => 2 }, codes.tally)
    sign_in("keeper", address: "10.0.0.3")
    assert_problem(422, "locked")
  end

  def asked_idle(seconds) = get("/api/today", {}, "HTTP_GIMLET_IDLE" => seconds.to_s).then { last_response.status }

  # The page asks on by itself; nobody is there.
  def test_a_till_that_nobody_touches_is_locked_by_the_server_too
    staff
    sign_in("counter")
    began = Time.now
    at = ->(minutes, &ask) { Gimlet::Store::Clock.at(began + (minutes * 60), &ask) }
    assert_equal 200, at.call(10) { asked_idle(0) }
    assert_equal([200, 200, 401], [20, 24, 26].map { |minutes| at.call(minutes) { asked_idle((minutes - 10) * 60) } })
    sign_in("counter")
    assert_equal 401, at.call(40) { asked_idle(0) }, "an idle cookie that says that somebody is there"
  end

  # Names and roles went to whoever asked.
  def test_names_are_told_here_and_at_known_tills_only
    staff
    names = ->(address, **headers) { from(address, "GET", "/api/session", nil, **headers)["people"].size }
    assert_equal [4, 0], [names.call("127.0.0.1"), names.call(AFAR)]
    %w[X_FORWARDED_FOR X_REAL_IP VIA FORWARDED X_FORWARDED_PROTO X_CLIENT_IP CF_CONNECTING_IP].each do |header|
      assert_equal 0, names.call("127.0.0.1", "HTTP_#{header}" => "10.0.0.9"), header
    end
    assert json["sign_in"]
    sign_in("bench", address: AFAR)
    send_json("POST", "/api/session/end", {})
    assert_equal 4, names.call(AFAR), "somebody signed in there before"
    assert_equal 0, names.call(AFAR, "HTTP_COOKIE" => "gimlet_till=made-up")
  end

  # The same work, and the same words.
  def test_a_name_that_nobody_has_takes_as_long
    people.upsert("known", "counter", "4821")
    people.verified("nobody", "the first of a process")
    work = lambda do |name|
      salts = []
      hashing = BCrypt::Engine.method(:hash_secret)
      BCrypt::Engine.stub(:hash_secret, ->(secret, salt, *rest) { (salts << salt[0, 7]) && hashing.call(secret, salt, *rest) }) do
        assert_nil people.verified(name, "guess")
      end
      salts
    end
    assert_equal ["$2a$04$"], work.call("known")
    assert_equal work.call("known"), work.call("nobody")
    sign_in("nobody", address: "10.0.0.1")
    told = json["detail"]
    staff
    sign_in("counter", "wrong", address: "10.0.0.2")
    assert_equal told, json["detail"]
  end

  # East of Greenwich a lock had ended before it began.
  def test_a_lock_in_any_zone
    zone = ENV.fetch("TZ", nil)
    %w[Asia/Tokyo America/New_York].each_with_index do |name, at|
      ENV["TZ"] = name
      attempts = Gimlet::Store::SignInAttempts.new(database)
      5.times { attempts.count(name: name, address: "a#{at}", till: nil) }
      assert_equal "locked", assert_raises(Gimlet::Core::InputError) { attempts.count(name: name, address: "b#{at}", till: nil) }.code
    end
    send_json("POST", "/api/tickets", entry("said", words: "8 bolts"))
    assert_in_delta Time.now, Time.iso8601(json["call"][0]["at"]), 5
    get "/api/tickets/1"
    assert_in_delta Time.now, Time.iso8601(json["call"][0]["at"]), 5
  ensure
    ENV["TZ"] = zone
  end

  # A clock that is put back a year once locked for a year.
  def test_a_clock_put_back
    attempts = Gimlet::Store::SignInAttempts.new(database)
    future = Time.now.utc + (365 * 86_400)
    5.times { attempts.count(name: "a", address: "b", till: nil, now: future) }
    assert_raises(Gimlet::Core::InputError) { attempts.count(name: "a", address: "b", till: nil, now: future + 1) }
    assert attempts.count(name: "a", address: "b", till: nil, now: Time.now.utc)
  end

  def test_who_left_is_out_at_once_and_an_owner_stays
    staff
    sign_in("counter")
    assert people.deactivate("the counter")
    get "/api/tickets"
    assert_problem(401, "sign_in")
    sign_in("counter")
    assert_problem(422, "wrong_secret")
    { %w[x chief 1234] => "unknown_role", %w[x counter 123] => "too_short", [" ", "counter", "1234"] => "missing", %w[x owner 0000] => "too_easy",
      %w[x keeper 4321] => "too_easy", ["x", "owner", "      "] => "too_easy", %w[Oddny owner oddny] => "too_easy",
      ["x", "counter", "ü" * 40] => "too_long", %w[script counter 8264] => "name_taken" }.each do |wrong, code|
      Gimlet::Store::Tokens.new(database).issue("script", "counter")
      assert_equal code, assert_raises(Gimlet::Core::InputError) { people.upsert(*wrong) }.code, wrong.inspect
    end
    assert_equal "name_taken", assert_raises(Gimlet::Core::InputError) { Gimlet::Store::Tokens.new(database).issue("the bench", "bench") }.code
  end

  # Two owners made bench at the same moment left none.
  def test_two_owners_at_once_leave_one
    10.times do |round|
      people.upsert("Ada #{round}", "owner", "5926")
      people.upsert("Ben #{round}", "owner", "5927")
      database[:people].exclude(name: ["Ada #{round}", "Ben #{round}"]).update(active: false)
      other = Gimlet::Store::People.new(Gimlet::Store.file(database.opts[:database]), cost: 4)
      ways = [[people, "Ada"], [other, "Ben"]].map do |store, name|
        Thread.new { round.even? ? store.upsert("#{name} #{round}", "bench", "5926") : store.deactivate("#{name} #{round}") rescue $ERROR_INFO } # rubocop:disable Style/RescueModifier
      end
      ways.each(&:join)
      assert_equal 1, database[:people].where(active: true, role: "owner").count
    end
  end

  # Whoever has a copy has nothing to try PINs on.
  def test_a_copy_gives_no_pin_away
    staff
    kept = database[:people].select_map(:secret)
    assert(kept.all? { |text| text.start_with?("sealed:") && !text.include?("$2") })
    key = Gimlet::Store::Secrets.key_file(database.opts[:database])
    assert_equal "600", File.stat(key).mode.to_s(8)[-3..]
    rows = database[:people].order(:id).all
    database[:people].where(id: rows[0][:id]).update(secret: rows[1][:secret])
    assert_equal "key_lost", assert_raises(Gimlet::Core::InputError) {
      people.verified(rows[0][:name], "secret bench")
    }.code, "a hash counts for its own name only"
    File.binwrite(key, "k" * 32)
    sign_in("keeper")
    assert_problem(503, "key_lost")
    database[:people].where(id: rows[3][:id]).update(secret: BCrypt::Password.create("secret owner", cost: 4).to_s)
    people.seal
    assert_equal "the owner", people.verified("the owner", "secret owner").name, "of an earlier version"
    assert database[:people].where(id: rows[3][:id]).get(:secret).start_with?("sealed:")
  end

  # On its own machine the demo asks for no secret, and answers what a script would try first; through anything in between it does not.
  def test_the_demo_on_its_own_machine
    staff
    @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database), demo: true)
    from(AFAR, "POST", "/api/identify", { text: "8 bolts" })
    assert_problem(401, "sign_in")
    [[AFAR, {}], ["127.0.0.1", { "HTTP_X_REAL_IP" => "10.0.0.9" }], ["127.0.0.1", { "HTTP_VIA" => "1.1 proxy" }],
     ["junk", {}]].each do |address, headers|
      from(address, "POST", "/api/session", { name: "the owner" }, **headers)
      assert_problem(422, "wrong_secret")
    end
    send_json("POST", "/api/identify", text: "8 bolts")
    assert_equal 200, last_response.status
    from("::ffff:127.0.0.1", "POST", "/api/session", { name: "the owner" })
    assert_equal [201, true, "owner"], [last_response.status, json["demo"], json["person"]["role"]]
    clear_cookies
    @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))
    rack_mock_session.instance_variable_set(:@app, @app)
    from("127.0.0.1", "POST", "/api/session", { name: "the owner" })
    assert_problem(422, "wrong_secret")
    refute_nil database[:history].where(what: "signed in", who: "the owner").first
  end
end
