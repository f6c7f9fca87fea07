# frozen_string_literal: true

require_relative "../core"

module Gimlet::Core
  # What one kind of thing that is noted is sent with, declared as JSON Schema. Kinds of a ticket's entries and steps of an order have theirs.
  #
  #   class Had
  #     extend Fields
  #     field "number", { "type" => "string", "maxLength" => 40 }
  #   end
  #   Had.id # => "had"
  module Fields
    # @return [String] "not_sure" for NotSure
    def id = name.split("::").last.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase

    # @param schema [Hash] JSON Schema, plain data with string keys; it may refer to the OpenAPI document's
    def field(name, schema, required: true)
      fields[name] = schema
      self.required << name if required
    end

    def fields = @fields ||= {}
    def required = @required ||= []

    # @return [Hash] of what is sent, besides kind, key and who; with whatever else must hold among the fields
    def schema = { "properties" => fields, "required" => required }
  end
end
