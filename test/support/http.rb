# frozen_string_literal: true

require "rack/test"
require_relative "app"

# Calls against the app, every answer checked against the OpenAPI document.
module Http
  include Rack::Test::Methods
  include SeededApp

  def app = @app ||= Gimlet::API::App.new(database)
  def json = JSON.parse(last_response.body)

  def send_json(verb, path, body)
    custom_request(verb, path, {}, input: body.is_a?(String) ? body : JSON.generate(body), "CONTENT_TYPE" => "application/json")
    json
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
