// Package contract holds the contract between the interface and the binary, as the
// binary ships it.
package contract

import _ "embed"

// OpenAPI is the contract, an OpenAPI 3 document in YAML.
//
//go:embed openapi.yaml
var OpenAPI []byte
