# frozen_string_literal: true

require_relative "http"
require "pdf/reader"

# A shop's day over HTTP: orders are placed, picked, checked, handed over.
module Shop
  include Http

  KNOWN = "plate TK4R20, serial 31500, 15 lpm, green"

  # @return [Hash] a ticket with the work agreed
  def agreed(customer: nil, pumps: 1, plan: nil, words: "#{KNOWN}, packings", areas: ["packings"])
    view = send_json("POST", "/api/tickets", entry("said", words: words))
    steps = [customer && ["customer", { customer_id: customer }], plan && ["plan", { policy: plan }],
             ["work", { areas: areas, agreed: true, pumps: pumps }]]
    steps.compact.reduce(view) { |one, (kind, body)| send_json("POST", "/api/tickets/#{one['id']}/entries", entry(kind, **body)) }
  end

  def save(view, **others) = send_json("POST", "/api/orders", { ticket_id: view["id"], on: view["last"], seen: view["seen"] || [], **others })
  def placed(**options) = save(agreed(**options))

  # Four pumps, three kits.
  def waiting = placed(pumps: 4, plan: "complete_sets")

  def step(order, kind, **body) = send_json("POST", "/api/orders/#{order['id']}/steps", entry(kind, **body))

  def scan(order, code, doing)
    send_json("POST", "/api/orders/#{order['id']}/scans", entry(nil, code: code, doing: doing).except("kind"))
  end

  def fetch(order) = get("/api/orders/#{order['id']}").then { json }
  def good(order, number) = order["goods"].find { |one| one["number"] == number }
  def pick_all(order) = fetch(order)["goods"].each { |row| row["reserved"].times { scan(order, row["number"], "pick") } }
  def check_all(order) = fetch(order)["goods"].each { |row| (row["bagged"] - row["checked"]).times { scan(order, row["number"], "check") } }

  def handed_over(**options)
    placed(**options).tap do |order|
      pick_all(order)
      check_all(order)
      step(order, "hand_over", how: "fetched", to: "Per")
    end
  end

  def count_down(number, left)
    was = database[:stock].where(number: number).get(:on_hand)
    send_json("POST", "/api/counts", lines: [{ number: number, counted: left, was: was, why: "one was broken" }])
  end

  # @return [String] of all pages
  def paper(order, name)
    get "/api/orders/#{order['id']}/#{name}.pdf"
    assert_equal "application/pdf", last_response.media_type, last_response.body[0, 300]
    PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join(" ").gsub(/\s+/, " ")
  end

  # Somebody of every role is on file from here on.
  def staff
    people = Gimlet::Store::People.new(database, cost: 4)
    Gimlet::Core::Roles::ALL.each { |role| people.upsert("the #{role}", role, "secret #{role}") }
  end

  def ask(role)
    send_json("POST", "/api/session", name: "the #{role}", secret: "secret #{role}")
    yield
  end
end
