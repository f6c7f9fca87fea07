# frozen_string_literal: true

module Gimlet
  module Present
    # How far a file that was sent has come.
    module Upload
      module_function

      # @param upload [Counter::Upload]
      # @return [Hash] of the OpenAPI schema Upload
      def call(upload)
        found = upload.dry_run
        { id: upload.id, kind: upload.kind, state: upload.state, done: upload.done, of: upload.of, problem: upload.problem,
          prices: upload.kind == "prices" ? found : nil, series: upload.kind == "catalogue" ? found : nil, taken: upload.taken }
      end
    end
  end
end
