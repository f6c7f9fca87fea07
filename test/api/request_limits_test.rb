# frozen_string_literal: true

require_relative "../support/http"

# The worst that a network sends: turned away in words, and nothing behind it is harmed.
class RequestLimitsTest < Minitest::Test
  include Http

  def app = @app ||= Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))

  def raw(verb, path, body = nil, **env)
    query = path.split("?", 2)
    last = Rack::MockRequest.env_for("/", method: verb, input: body || "")
    last.merge!("PATH_INFO" => query.first, "QUERY_STRING" => query[1].to_s, "CONTENT_TYPE" => "application/json", **env)
    @answer = Rack::MockResponse.new(*app.call(last))
  end

  def refused(status, code)
    problem = JSON.parse(@answer.body)
    assert_equal [status, code], [@answer.status, problem["code"]], @answer.body
    assert_equal "application/problem+json", @answer.headers["content-type"]
    assert_match(/[.!?]\z/, problem["detail"])
    assert_schema "Problem", problem
  end

  # What was found from outside, as it was sent.
  FOUND = {
    ["POST", "/api/plan", '{"model":"TK4L20","scope":["packings"],"pumps":1e309}'] => [422, "bad_request"],
    ["POST", "/api/identify", "{\"readings\":[{\"trait\":\"flow_l_min\",\"value\":#{'9' * 400}}]}"] => [422, "bad_request"],
    ["POST", "/api/identify", '{"readings":[{"trait":"flow_l_min","value":-1e309}]}'] => [422, "bad_request"],
    ["POST", "/api/identify", "{\"text\":\"\xFF\xFE\"}".b] => [400, "bad_text"],
    ["POST", "/api/tickets", '{"kind":"said","key":"\\u0000","words":"x"}'] => [422, "bad_request"],
    ["POST", "/api/identify", '{"text":"a","text":"b"}'] => [400, "not_json"],
    ["POST", "/api/identify", "{\"readings\":#{'[' * 40}#{']' * 40}}"] => [400, "too_deep"],
    ["POST", "/api/identify", "{\"text\":\"#{'a' * 70_000}\"}"] => [413, "too_large"],
    ["GET", "/api/catalogue/%00"] => [404, "not_found"],
    ["GET", "/api/catalogue/%ff"] => [404, "not_found"],
    ["GET", "/api/catalogue/%"] => [404, "not_found"],
    ["GET", "/api/health?a=%"] => [400, "bad_text"],
    ["GET", "/api/health?a#{'[b]' * 50}=1"] => [400, "unknown_parameter"],
    ["GET", "/api/health?#{'a' * 3000}"] => [414, "query_too_long"],
    ["GET", "/api/orders/1/card.pdf?paper[]=A4"] => [400, "unknown_parameter"],
    ["DELETE", "/api/identify"] => [405, "method_not_allowed"],
    ["PUT", "/api/health"] => [405, "method_not_allowed"],
    ["GET", "/.built-from"] => [404, "not_found"]
  }.freeze

  FOUND.each do |(verb, path, body), (status, code)|
    define_method("test_#{verb} #{path[0, 60]} #{body.to_s[0, 50].scrub('?')}") do
      raw(verb, path, body)
      refused(status, code)
      assert_includes @answer.headers["allow"].to_s, "POST" if status == 405 && path == "/api/identify"
    end
  end

  def test_forms_and_files_are_turned_away
    ["multipart/form-data; boundary=x; boundary=y", "multipart/form-data", "application/x-www-form-urlencoded", "text/plain", ""].each do |type|
      raw("POST", "/api/identify", "a=b", "CONTENT_TYPE" => type)
      refused(415, "not_json")
    end
    raw("GET", "/api/health", "junk", "CONTENT_TYPE" => "multipart/form-data; boundary=x")
    assert_equal 200, @answer.status
    raw("POST", "/nowhere", "junk", "CONTENT_TYPE" => "multipart/form-data; boundary=x")
    refused(405, "method_not_allowed")
  end

  def test_a_foreign_name_or_page_gets_nowhere
    raw("GET", "/api/health", "HTTP_HOST" => "evil.example")
    refused(421, "unknown_host")
    raw("GET", "/api/health", "HTTP_X_FORWARDED_HOST" => "evil.example")
    refused(421, "unknown_host")
    raw("GET", "/api/health", "HTTP_HOST" => "127.0.0.1:4480")
    assert_equal 200, @answer.status
    body = JSON.generate(entry("said", words: "8 bolts"))
    ["http://evil.example", "null", "http://127.0.0.1:9999"].each do |origin|
      raw("POST", "/api/tickets", body, "HTTP_HOST" => "127.0.0.1:4480", "HTTP_ORIGIN" => origin)
      refused(403, "foreign_origin")
    end
    raw("POST", "/api/tickets", body, "HTTP_HOST" => "127.0.0.1:4480", "HTTP_SEC_FETCH_SITE" => "cross-site")
    refused(403, "foreign_origin")
    assert_equal 0, database[:tickets].count
    raw("POST", "/api/tickets", body, "HTTP_HOST" => "127.0.0.1:4480", "HTTP_ORIGIN" => "http://127.0.0.1:4480")
    assert_equal 201, @answer.status
  end

  # Until people sign in, no torque is changed from elsewhere on the network.
  def test_the_catalogue_is_only_changed_on_this_machine
    get "/api/catalogue/pellwick-tk4"
    document = last_response.body
    [{ "REMOTE_ADDR" => "192.168.1.20" }, { "REMOTE_ADDR" => "127.0.0.1", "HTTP_X_FORWARDED_FOR" => "10.0.0.9" }].each do |from|
      raw("POST", "/api/catalogue", document, "CONTENT_TYPE" => "application/octet-stream", **from)
      refused(403, "not_from_here")
    end
    import(document)
    assert_equal "nobody signed in", database[:history].order(:id).last[:who]
  end

  def test_every_answer_has_its_headers
    ["GET /api/health", "GET /api/customers", "GET /", "GET /nowhere", "DELETE /api/health", "POST /api/identify"].map(&:split).each do |verb, path|
      raw(verb, path)
      assert_equal %w[nosniff DENY no-referrer], @answer.headers.values_at("x-content-type-options", "x-frame-options", "referrer-policy"), path
      assert @answer.headers["cache-control"], path
    end
    raw("GET", "/api/customers")
    assert_equal "no-store", @answer.headers["cache-control"]
  end

  PIECES = ["", "null", "[]", "{}", "0", "-1", "1e308", "1e-308", '"x"', '"%s%n"', '"<b>x</b>"', '"\\u202e"', "[[]]", '{"a":1}', "true", "{",
            "\xC3".b, '{"kind":"said","key":"k","words":"8 bolts"}', '{"model":"TK4L20","scope":["packings"]}', '{"ticket_id":1,"on":1}',
            '{"inner_mm":"7","outer_mm":"11"}', '{"figures":{"flow":"4 gpm","pressure":"1e9"}}', '{"bucket":{"litres":1e-9,"seconds":1}}',
            '{"material":"NBR","temperature_c":1e3}', '{"pump":"TK4L20","flow":-1}', "number,price\nA,1",
            '{"name":"=x","role":"owner","secret":"12345"}', '{"kind":"ticked","key":"k","item":"x","done":true}',
            '{"format":"gimlet-catalogue","version":2}'].freeze
  TAILS = ["", "?paper=A4", "?paper=%41", "?a=b", "?=", "?&&", "?%C3%A9=1", "/", "/..", "/%2e%2e", "/1", "/-1", "/99999999999999999999"].freeze

  PLACES = %w[1 0 -1 x %20 99999999999999999999 a;b 1%2f2 ☃].freeze

  # Every route with junk in every place: no crash, and what is refused is refused with a sentence and a code.
  def test_junk_everywhere
    random = Random.new(Minitest.seed)
    paths = Gimlet::API::OpenAPI::DOCUMENT["paths"].keys
    800.times do
      path = paths.sample(random: random).gsub(/\{\w+\}/) { PLACES.sample(random: random) } + TAILS.sample(random: random)
      verb = %w[GET POST POST HEAD PUT OPTIONS].sample(random: random)
      raw(verb, path, PIECES.sample(random: random))
      assert_operator @answer.status, :<, 500, "#{verb} #{path}: #{@answer.body}"
      next if @answer.status < 400 || verb == "HEAD" || @answer.media_type == "text/html"

      told = JSON.parse(@answer.body)
      assert told["code"] && told["detail"].match?(/[.!?]\z/), "#{verb} #{path}: #{@answer.body}"
    end
  end
end
