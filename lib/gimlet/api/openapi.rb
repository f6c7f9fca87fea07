# frozen_string_literal: true

require "digest"
require "json"
require "json_schemer"
require "yaml"
require_relative "../core/input_error"

module Gimlet
  module API
    # The OpenAPI document: what is served, and what requests are checked against.
    module OpenAPI
      DOCUMENT = YAML.load_file(File.expand_path("openapi.yml", __dir__)).freeze
      # An answer kept by a browser is no answer of the next version.
      DIGEST = Digest::SHA256.hexdigest(JSON.generate(DOCUMENT))[0, 12]
      SCHEMAS = JSONSchemer.openapi(DOCUMENT)

      module_function

      # @param name [String] under components/schemas
      # @param body [Object] parsed JSON with string keys
      # @raise [Core::InputError] names the field and what it should be
      def check(name, body)
        fault = SCHEMAS.schema(name).validate(body).first or return
        field = fault["data_pointer"].delete_prefix("/").gsub(%r{/(\d+)}, '[\1]').tr("/", ".")
        field = [field, *fault.dig("details", "missing_keys")&.first].reject(&:empty?).join(".")
        raise Core::InputError.new(sentence(field, fault), field: field, code: "bad_request")
      end

      # @return [Boolean] whether bodies of a schema may have it
      def property?(name, key) = DOCUMENT.dig("components", "schemas", name, "properties", key) ? true : false

      def sentence(field, fault)
        what = fault["error"].sub(/\A.*? at (?:root|`[^`]*`) /, "")
        "#{field.empty? ? 'The request' : field} cannot be used: it #{what}."
      end
    end
  end
end
