package store

import (
	"context"
)

// Block is weeks of plan for one lifter, as a block document.
type Block struct {
	Named
	LifterID string
}

// Blocks are the blocks of all coaches.
func (s *Store) Blocks() Shelf[Block, *Block] { return Shelf[Block, *Block]{s.db} }

// BlocksOf are a lifter's blocks, changed most lately first.
func (s *Store) BlocksOf(ctx context.Context, coach, lifter string) ([]Block, error) {
	var rows []Block
	err := s.db.WithContext(ctx).Where("coach_id = ? and lifter_id = ?", coach, lifter).Order("updated_at desc, id").Limit(mostBlocks).Find(&rows).Error
	return rows, err
}

// mostBlocks is how many blocks of a lifter are listed.
const mostBlocks = 100
