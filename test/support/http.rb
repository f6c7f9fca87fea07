# frozen_string_literal: true

require "rack/test"
require_relative "app"

# Calls against the app, every answer checked against the OpenAPI document.
module Http
  include Rack::Test::Methods
  include SeededApp

  def app = @app ||= Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))

  def teardown
    @app.helpers.shop.stop if @app
    super
  end

  def json = JSON.parse(last_response.body)

  # With a key of its own, where the operation wants one and the test has none to say.
  def send_json(verb, path, body)
    asked = (Gimlet::API::Operations.at(path.split("?").first) || {})[verb]
    keyed = body.is_a?(Hash) && asked && asked.operation.repeat == "key"
    body = { "key" => "fresh #{@fresh = (@fresh || 0) + 1}" }.merge(body.transform_keys(&:to_s)) if keyed
    custom_request(verb, path, {}, input: body.is_a?(String) ? body : JSON.generate(body), "CONTENT_TYPE" => "application/json")
    json
  end

  # Sends a file and waits until it was looked at or refused.
  # @return [Hash] of the schema Upload
  def upload(path, bytes)
    bytes = JSON.generate(bytes) unless bytes.is_a?(String)
    custom_request("POST", path, {}, input: bytes, "CONTENT_TYPE" => "application/octet-stream")
    assert_equal 201, last_response.status, last_response.body
    settled(json["id"])
  end

  # Takes what was looked at.
  def take(upload, **options)
    mark = (upload["prices"] || upload["series"])["mark"]
    send_json("POST", "/api/uploads/#{upload['id']}/take", { mark: mark, **options })
    settled(upload["id"])
  end

  def settled(id)
    1800.times do
      get "/api/uploads/#{id}"
      return json unless %w[waiting reading taking].include?(json["state"])

      sleep 0.05
    end
    flunk "the upload does not end: #{last_response.body}"
  end

  # As a keeper brings a document in.
  def import(document)
    taken = take(upload("/api/catalogue", document))
    assert_equal "taken", taken["state"], taken["problem"].inspect
  end

  def assert_schema(name, value = json)
    faults = Gimlet::API::OpenAPI::SCHEMAS.schema(name).validate(value).map { |fault| fault["error"] }
    assert_empty faults, name
  end

  # @return [Hash] the problem
  def assert_problem(status, code, field: nil)
    assert_equal status, last_response.status, last_response.body
    assert_equal "application/problem+json", last_response.media_type
    assert_schema "Problem"
    assert_equal code, json["code"]
    assert_equal field, json["field"] if field
    assert_match(/[.!]\z/, json["detail"])
    json
  end
end
