package tests

import (
	"encoding/binary"
	"hash/crc32"
)

// resized changes the size that a PNG says it has.
func resized(file []byte, w, h uint32) []byte {
	binary.BigEndian.PutUint32(file[16:], w)
	binary.BigEndian.PutUint32(file[20:], h)
	binary.BigEndian.PutUint32(file[29:], crc32.ChecksumIEEE(file[12:29]))
	return file
}
