"""items tell when they were last alive, how often they were tried, and which queue does them; films have a summary"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '0003'
down_revision = '0002'
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column('items', sa.Column('queue', sa.String(length=20), nullable=False, server_default='services'))
    op.execute("UPDATE items SET queue = 'work' WHERE kind IN ('mix', 'segment', 'join')")
    op.alter_column('items', 'queue', server_default=None)
    op.add_column('items', sa.Column('beat', postgresql.TIMESTAMP(timezone=True), nullable=False, server_default=sa.func.now()))
    op.alter_column('items', 'beat', server_default=None)
    op.add_column('items', sa.Column('tries', sa.Integer(), nullable=False, server_default='0'))
    op.alter_column('items', 'tries', server_default=None)
    op.create_index('items_open', 'items', ['beat'], postgresql_where=sa.text("state IN ('waiting', 'going')"))
    op.create_index('runs_of_film', 'runs', ['film', 'created'])
    op.create_index('events_of_film', 'events', ['film', 'what', 'id'])
    op.add_column('films', sa.Column('document_at', sa.Integer(), nullable=False, server_default='0'))
    op.execute('UPDATE films SET document_at = revision')
    op.alter_column('films', 'document_at', server_default=None)
    op.add_column('films', sa.Column('summary', postgresql.JSONB(astext_type=sa.Text()), nullable=True))
    # Runs of before hold items of before: what was going is ended, and what was made is kept.
    op.execute("UPDATE items SET state = 'cancelled' WHERE state IN ('waiting', 'going')")
    op.execute("UPDATE runs SET state = 'cancelled', finished = now(), message = 'Cut Reel was renewed; start it again.' WHERE state IN ('going', 'paused')")


def downgrade() -> None:
    op.drop_column('films', 'summary')
    op.drop_column('films', 'document_at')
    op.drop_index('events_of_film', 'events')
    op.drop_index('runs_of_film', 'runs')
    op.drop_index('items_open', 'items')
    for name in ('tries', 'beat', 'queue'):
        op.drop_column('items', name)
