"""the company: people, places and looks kept across films"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '0002'
down_revision = '0001'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table('company',
    sa.Column('id', sa.String(length=40), nullable=False),
    sa.Column('card', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('tags', sa.Text(), nullable=False),
    sa.Column('picture', sa.String(length=80), nullable=False),
    sa.Column('changed', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.PrimaryKeyConstraint('id')
    )


def downgrade() -> None:
    op.drop_table('company')
