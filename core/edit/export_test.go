package edit

// Inverse is what takes a step back, as the replica knows it.
func (r *Replica) Inverse(step uint64) []Part { return r.records[step].inverse }
