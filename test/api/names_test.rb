# frozen_string_literal: true

require "yaml"
require_relative "../support/shop"

# What people are called, as it is typed at a counter (../shop/names.yml): one notion of a name, to compare, to find, to merge, to refuse.
class NamesTest < Minitest::Test
  include Shop

  CASES = YAML.load_file(File.expand_path("../shop/names.yml", __dir__)).freeze

  def add(name) = send_json("POST", "/api/customers", { name: name })
  def found(words) = get("/api/customers", q: words).then { json.map { |row| row["name"] } }

  CASES["same"].each_with_index do |ways, at|
    define_method("test_#{at}_ways_of_writing_one_name") do
      first = add(ways.first)
      assert_equal 201, last_response.status, json
      ways.drop(1).each do |way|
        add(way)
        assert_problem(422, "known", field: "name")
        assert_includes found(way), first["name"], way.inspect
      end
    end
  end

  def test_names_that_are_different_stay_so
    CASES["different"].each { |ways| ways.each { |way| assert_equal [201, way], [add(way)["name"] && last_response.status, json["name"]] } }
  end

  def test_a_name_is_found_by_any_part_of_it
    CASES["found"].each do |row|
      add(row["name"])
      row["by"].each { |part| assert_includes found(part), row["name"], part }
    end
  end

  # Whatever way it comes in: as a field, as a line, for a person, for a script, as another name.
  def test_what_is_no_name_is_refused
    id = add("Somebody")["id"]
    CASES["refused"].each do |name|
      tries = { "/api/customers" => { name: name }, "/api/customers/#{id}" => { name: name },
                "/api/people" => { name: name, role: "bench", secret: "482193" },
                "/api/tokens" => { name: name, role: "bench" } }
      tries.each do |path, body|
        send_json("POST", path, body)
        assert_includes [400, 422], last_response.status, "#{path} #{name.inspect}"
        assert_match(/[.!]\z/, json["detail"])
      end
    end
    assert_equal 1, database[:customers].where(Sequel.like(:name, "Some%")).count
    assert_empty database[:people].all
  end

  # Merged or erased, the name is free again; only its last bearer is found by it.
  def test_a_name_that_was_given_back_may_be_taken_again
    one, two = add("Östlund")["id"], add("Low Mill")["id"]
    send_json("POST", "/api/customers/#{one}/merge", { into: two })
    again = add("ÖSTLUND")
    assert_equal 201, last_response.status
    assert_equal([again["id"]], get("/api/customers", q: "östlund").then { json.map { |row| row["id"] } })
    send_json("POST", "/api/customers/#{again['id']}/erase", {})
    assert_equal 201, add("östlund") && last_response.status
  end

  def test_a_name_alone_is_enough
    assert_equal({ "name" => "Alone", "place" => "", "phone" => "" }, add("Alone").slice("name", "place", "phone"))
  end

  def test_pumps_are_found_by_where_they_stand
    id = add("Ærø")["id"]
    send_json("POST", "/api/customers/#{id}/pumps", { designation: "TK4R20", stands: "Økonomigård", serial: "31500" })
    ["økonomi", "ØKONOMIGÅRD", "31500", "tk4r20 ærø"].each { |words| assert_includes found(words), "Ærø", words }
    pump = database[:pumps].where(customer_id: id).get(:id)
    send_json("POST", "/api/pumps/#{pump}", { stands: "mill" })
    assert_empty found("økonomi")
  end

  # Whoever signs in by another way of writing is the same person, and there is no second one.
  def test_people_are_one_in_any_capitals
    people = Gimlet::Store::People.new(database, cost: 4)
    people.upsert("Åsa", "owner", "482193")
    people.upsert("ÅSA", "owner", "771823")
    assert_equal ["Åsa"], people.all.map(&:name)
    assert_equal "Åsa", people.verified("a\u030Asa", "771823").name
    assert_nil people.verified("Åsa", "482193")
  end
end
