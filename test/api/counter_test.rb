# frozen_string_literal: true

require_relative "../support/http"

class CounterApiTest < Minitest::Test
  include Http

  LINE = "something K, 4, then can't read, 20, eight head bolts taking a 6 mm hex key, three white plungers, wants valves and packings"

  def test_health_counts_the_catalogue
    get "/api/health"
    assert_schema "Health"
    assert_equal [21, 118, 133], json["catalogue"].values_at("series", "models", "variants")
  end

  def test_the_contract_is_served_and_names_every_route
    get "/api/openapi.json"
    assert_equal "3.1.0", json["openapi"]
    ids = json["paths"].values.flat_map { |item| item.slice("get", "post").values.map { |row| row["operationId"] } }
    routes = Gimlet::API::App.routes.except("HEAD").values.flatten(1).map { |pattern, *| pattern.to_s.delete_prefix("/") }
    assert_equal ids.sort, routes.sort
  end

  def test_types_of_the_front_end_agree_with_the_contract
    ui = File.expand_path("../../ui", __dir__)
    File.write(document = File.join(Dir.mktmpdir, "openapi.json"), JSON.generate(Gimlet::API::OpenAPI::DOCUMENT))
    out = `cd #{ui} && node_modules/.bin/openapi-typescript #{document} 2>/dev/null`
    assert_equal out, File.read("#{ui}/src/api/schema.d.ts"), "run: npm run types --prefix ui"
  end

  # What the examples speak of need not be there; that they are examples of what is asked for is made sure of, and some are really sent.
  def test_each_operation_has_a_summary_and_its_body_an_example_that_is_taken
    sent = Gimlet::API::OpenAPI::DOCUMENT["paths"].flat_map { |path, methods| methods.map { |method, row| [path, method, row] } }
                                                  .select { |_, _, row| row.is_a?(Hash) && row.key?("operationId") }
    sent.each { |path, _, row| assert_operator row["summary"].to_s.size, :>, 8, path }
    bodies = sent.select { |_, _, row| row.dig("requestBody", "content", "application/json", "schema", "$ref") }
    bodies.each do |path, method, row|
      schema, example = row.dig("requestBody", "content", "application/json").values_at("schema", "example")
      Gimlet::API::OpenAPI.check(schema["$ref"].split("/").last, example)
      next unless %w[identify plan openTicket preview measureSeal measureFlow chooseValve askMaterial].include?(row["operationId"])

      send_json(method.upcase, path, **example.transform_keys(&:to_sym))
      assert_includes [200, 201], last_response.status, "#{path} #{last_response.body[0, 300]}"
    end
    assert_operator bodies.size, :>=, 18
  end

  def test_identify_the_call
    answer = send_json("POST", "/api/identify", text: LINE, channel: "phone", scope: [])
    assert_schema "Identification"
    assert_match(/\ATK4/, answer["candidates"].first["model"])
    assert_equal "sight_glass", answer["next_questions"].first["trait"]
    refute answer["enough_to_order"]

    readings = answer["readings"].map do |reading|
      reading.slice("trait", "value", "unit").compact
    end << answer["next_questions"].first["answers"].first["reading"]
    again = send_json("POST", "/api/identify", readings: readings, scope: answer["heard"]["scope"], channel: "phone")
    assert again["enough_to_order"], again["lacking"]
  end

  def test_plan_for_the_call
    answer = send_json("POST", "/api/plan", model: "TK4L20", serial: 31_500, scope: %w[inlet_valves discharge_valves packings],
                                            policy: "cheapest", pumps: 2, units: "in lb")
    assert_schema "Plan"
    assert_equal ["cheapest", "lbf·in"], [answer["plans"].first["policy"], answer["units"]]
    head = answer["tightening"].find { |row| row["fastener"] == "head_bolts" }
    assert_equal "195 lbf·in", head["asked"]["text"]
    assert_equal [*1..8], head["points"].map { |point| point["order"] }.sort
    assert_equal 6, answer["demand"].find { |one| one["part"] == "PW-4220" }["quantity"]
    bought = answer["plans"].first["lines"].each_with_object(Hash.new(0)) do |line, sums|
      line["covers"].each do |part, n|
        sums[part] += n * line["quantity"]
      end
    end
    answer["demand"].each { |line| assert_operator bought[line["part"]], :>=, line["quantity"] }
  end

  def test_a_missing_serial_is_assumed_aloud
    answer = send_json("POST", "/api/plan", model: "TK4L20", scope: ["discharge_valves"])
    assert_match(/No serial number was given: this is for serials from 31000/, answer["assumptions"].first)
    assert_empty send_json("POST", "/api/plan", model: "TK4L20", scope: ["packings"])["assumptions"]
  end

  def test_vocabulary_and_customers
    get "/api/vocabulary"
    assert_schema "Vocabulary"
    get "/api/customers"
    json.each { |one| assert_schema "Customer", one }
    owned = send_json("POST", "/api/identify", customer_id: json.find { |one| one["pumps"].include?("SC330L") }["id"])
    assert_equal true, owned["candidates"].first["owned"]
  end

  def test_bad_input_names_the_field
    [[{ readings: [{ trait: "plunger_mm", value: "20 furlong" }] }, "unknown_unit", "readings[0].unit"],
     [{ readings: [{ trait: "plunger_mm", value: -3 }] }, "not_positive", "readings[0].value"],
     [{ readings: [{ trait: "mood", value: 3 }] }, "unknown_trait", "readings[0].trait"],
     [{ readings: [{ trait: "plunger_mm", value: 900 }] }, "out_of_range", "readings[0].value"],
     [{ text: "900 mm plunger" }, "out_of_range", "text.value"], [{ customer_id: 999 }, "unknown_customer", "customer_id"],
     [{ readings: [{}] }, "bad_request", "readings[0].trait"], [{ readings: 5 }, "bad_request", "readings"],
     [{ channel: "pigeon" }, "bad_request", "channel"], [[], "bad_request", nil], [{ text: "x" * 1001 }, "bad_request", "text"]]
      .each do |body, code, field|
      send_json("POST", "/api/identify", body)
      assert_problem(422, code, field: field)
    end
    [[{ model: "NOPE", scope: ["packings"] }, "unknown_model", "model"], [{ model: "TK4L20", scope: [] }, "empty_scope", "scope"],
     [{ model: "TK4L20", scope: ["packings"], units: "stone" }, "unknown_unit", "units"],
     [{ model: "TK4L20", scope: ["packings"], units: "bar" }, "unknown_unit", "units"],
     [{ model: "TK4L20", scope: ["packings"], serial: "blurred" }, "unknown_serial", "serial"],
     [{ model: "TK4L20", scope: ["packings"], pumps: 0 }, "bad_request", "pumps"], [{ scope: ["packings"] }, "bad_request", "model"]]
      .each do |body, code, field|
      send_json("POST", "/api/plan", body)
      assert_problem(422, code, field: field)
    end
  end

  def test_what_is_not_json_or_not_there
    send_json("POST", "/api/identify", "{")
    assert_problem(400, "not_json")
    post "/api/identify", "x=1"
    assert_problem(415, "not_json", field: "Content-Type")
    get "/api/nothing"
    assert_problem(404, "not_found")
  end
end
