# frozen_string_literal: true

module Gimlet
  # The rules of the job, and nothing else: no web, no database, no JSON, no files, no clock. Its folders are numbered in the order of the flow.
  module Core
  end
end
