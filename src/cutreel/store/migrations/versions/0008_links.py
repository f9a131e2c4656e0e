"""films are shown to others by links"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import TIMESTAMP

revision = '0008'
down_revision = '0007'
branch_labels = None
depends_on = None

MOMENT = TIMESTAMP(timezone=True)


def upgrade() -> None:
    op.create_table(
        'links',
        sa.Column('id', sa.String(12), primary_key=True),
        sa.Column('token_hash', sa.String(64), nullable=False, unique=True),
        sa.Column('sealed', sa.LargeBinary(), nullable=False),
        sa.Column('film', sa.String(12), sa.ForeignKey('films.id'), nullable=False, index=True),
        sa.Column('label', sa.Text(), nullable=False),
        sa.Column('may_note', sa.Boolean(), nullable=False),
        sa.Column('password', sa.Text(), nullable=True),
        sa.Column('until', MOMENT, nullable=False),
        sa.Column('created', MOMENT, nullable=False),
        sa.Column('withdrawn', MOMENT, nullable=True),
        sa.Column('opened', sa.Integer(), nullable=False),
        sa.Column('last_opened', MOMENT, nullable=True),
    )


def downgrade() -> None:
    op.drop_table('links')
