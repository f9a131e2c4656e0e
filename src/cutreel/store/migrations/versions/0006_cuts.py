"""a film has several cuts"""

import sqlalchemy as sa
from alembic import op

revision = '0006'
down_revision = '0005'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column('films', sa.Column('cut', sa.Text(), nullable=False, server_default=''))
    op.add_column('films', sa.Column('cut_of', sa.String(length=12), sa.ForeignKey('films.id'), nullable=True))
    op.create_index('ix_films_cut_of', 'films', ['cut_of'])


def downgrade() -> None:
    op.drop_index('ix_films_cut_of', 'films')
    op.drop_column('films', 'cut_of')
    op.drop_column('films', 'cut')
