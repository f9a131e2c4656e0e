"""paragraphs as parsed are kept by their text"""

import sqlalchemy as sa
from alembic import op

revision = '0004'
down_revision = '0003'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table('parses', sa.Column('key', sa.String(length=40), primary_key=True), sa.Column('data', sa.LargeBinary(), nullable=False))


def downgrade() -> None:
    op.drop_table('parses')
