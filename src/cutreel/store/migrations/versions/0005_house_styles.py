"""house styles are kept by their names"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '0005'
down_revision = '0004'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table('house_styles', sa.Column('id', sa.String(length=12), primary_key=True), sa.Column('style', postgresql.JSONB(), nullable=False), sa.Column('changed', sa.DateTime(timezone=True), nullable=False))


def downgrade() -> None:
    op.drop_table('house_styles')
