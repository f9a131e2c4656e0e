"""services are plugged in, money has limits"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB, TIMESTAMP

revision = '0007'
down_revision = '0006'
branch_labels = None
depends_on = None

MOMENT = TIMESTAMP(timezone=True)
MONEY = sa.Numeric(12, 5)


def upgrade() -> None:
    op.add_column('spent', sa.Column('kind', sa.String(20), nullable=False, server_default=''))
    op.add_column('spent', sa.Column('shot', sa.Integer(), nullable=True))
    op.create_index('ix_spent_at', 'spent', ['at'])
    op.create_table(
        'promised',
        sa.Column('key', sa.String(60), primary_key=True),
        sa.Column('film', sa.String(), nullable=False),
        sa.Column('offer', sa.String(60), nullable=False),
        sa.Column('amount', MONEY, nullable=False),
        sa.Column('at', MOMENT, nullable=False),
    )
    op.create_table(
        'limits',
        sa.Column('scope', sa.String(12), primary_key=True),
        sa.Column('amount', MONEY, nullable=False),
    )
    op.create_table(
        'plugged',
        sa.Column('id', sa.String(24), primary_key=True),
        sa.Column('position', sa.Integer(), nullable=False),
        sa.Column('settings', JSONB(), nullable=False),
        sa.Column('sealed', sa.LargeBinary(), nullable=True),
        sa.Column('checked', JSONB(), nullable=True),
        sa.Column('changed', MOMENT, nullable=False),
    )
    op.create_table(
        'service_jobs',
        sa.Column('id', sa.BigInteger(), primary_key=True, autoincrement=True),
        sa.Column('offer', sa.String(60), nullable=False),
        sa.Column('kind', sa.String(20), nullable=False),
        sa.Column('film', sa.String(), nullable=False),
        sa.Column('shot', sa.Integer(), nullable=True),
        sa.Column('outcome', sa.String(12), nullable=False),
        sa.Column('message', sa.Text(), nullable=False),
        sa.Column('seconds', sa.Float(), nullable=False),
        sa.Column('amount', MONEY, nullable=False),
        sa.Column('at', MOMENT, nullable=False),
    )
    op.create_index('jobs_of_offer', 'service_jobs', ['offer', 'id'])
    op.create_table(
        'hand_jobs',
        sa.Column('key', sa.String(60), primary_key=True),
        sa.Column('number', sa.Integer(), nullable=True, unique=True),
        sa.Column('service', sa.String(24), nullable=False, index=True),
        sa.Column('input', JSONB(), nullable=False),
        sa.Column('film', sa.String(), nullable=False, server_default=''),
        sa.Column('shot', sa.Integer(), nullable=True),
        sa.Column('item', sa.BigInteger(), nullable=True),
        sa.Column('label', sa.Text(), nullable=False),
        sa.Column('media', sa.String(80), nullable=True),
        sa.Column('asked', MOMENT, nullable=False),
        sa.Column('done', MOMENT, nullable=True),
        sa.Column('dropped', sa.Boolean(), nullable=False),
    )


def downgrade() -> None:
    for table in ('hand_jobs', 'service_jobs', 'plugged', 'limits', 'promised'):
        op.drop_table(table)
    op.drop_index('ix_spent_at', 'spent')
    op.drop_column('spent', 'shot')
    op.drop_column('spent', 'kind')
