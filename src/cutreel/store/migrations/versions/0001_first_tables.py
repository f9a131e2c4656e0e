"""films, changes, results, takes, runs, spending, events"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '0001'
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table('events',
    sa.Column('id', sa.BigInteger(), autoincrement=True, nullable=False),
    sa.Column('film', sa.String(length=12), nullable=False),
    sa.Column('what', sa.String(length=30), nullable=False),
    sa.Column('data', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('at', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.PrimaryKeyConstraint('id')
    )
    op.create_index(op.f('ix_events_film'), 'events', ['film'], unique=False)
    op.create_table('films',
    sa.Column('id', sa.String(length=12), nullable=False),
    sa.Column('title', sa.Text(), nullable=False),
    sa.Column('document', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('revision', sa.Integer(), nullable=False),
    sa.Column('edges', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('created', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.Column('changed', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.Column('removed', postgresql.TIMESTAMP(timezone=True), nullable=True),
    sa.PrimaryKeyConstraint('id')
    )
    op.create_table('kept',
    sa.Column('name', sa.String(length=40), nullable=False),
    sa.Column('value', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('at', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.PrimaryKeyConstraint('name')
    )
    op.create_table('results',
    sa.Column('key', sa.String(length=40), nullable=False),
    sa.Column('kind', sa.String(length=20), nullable=False),
    sa.Column('media', sa.String(length=80), nullable=True),
    sa.Column('data', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('cost', sa.Numeric(precision=12, scale=5), nullable=False),
    sa.Column('created', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.PrimaryKeyConstraint('key')
    )
    op.create_table('spent',
    sa.Column('key', sa.String(length=60), nullable=False),
    sa.Column('film', sa.String(), nullable=False),
    sa.Column('offer', sa.String(length=60), nullable=False),
    sa.Column('amount', sa.Numeric(precision=12, scale=5), nullable=False),
    sa.Column('at', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.PrimaryKeyConstraint('key')
    )
    op.create_table('changes',
    sa.Column('film', sa.String(length=12), nullable=False),
    sa.Column('number', sa.Integer(), nullable=False),
    sa.Column('title', sa.Text(), nullable=False),
    sa.Column('command', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('forward', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('inverse', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('undone', sa.Boolean(), nullable=False),
    sa.Column('dropped', sa.Boolean(), nullable=False),
    sa.Column('at', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.ForeignKeyConstraint(['film'], ['films.id'], ),
    sa.PrimaryKeyConstraint('film', 'number')
    )
    op.create_table('runs',
    sa.Column('id', sa.String(length=12), nullable=False),
    sa.Column('film', sa.String(length=12), nullable=False),
    sa.Column('kind', sa.String(length=20), nullable=False),
    sa.Column('state', sa.String(length=12), nullable=False),
    sa.Column('stage', sa.Integer(), nullable=False),
    sa.Column('options', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('message', sa.Text(), nullable=False),
    sa.Column('outcome', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('created', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.Column('finished', postgresql.TIMESTAMP(timezone=True), nullable=True),
    sa.ForeignKeyConstraint(['film'], ['films.id'], ),
    sa.PrimaryKeyConstraint('id')
    )
    op.create_table('takes',
    sa.Column('id', sa.String(length=12), nullable=False),
    sa.Column('film', sa.String(length=12), nullable=False),
    sa.Column('shot', sa.Integer(), nullable=False),
    sa.Column('number', sa.Integer(), nullable=False),
    sa.Column('made_from', sa.String(length=40), nullable=False),
    sa.Column('seed', sa.BigInteger(), nullable=False),
    sa.Column('prompt', sa.Text(), nullable=False),
    sa.Column('negative', sa.Text(), nullable=False),
    sa.Column('offer', sa.String(length=60), nullable=False),
    sa.Column('media', sa.String(length=80), nullable=False),
    sa.Column('thumb', sa.String(length=80), nullable=False),
    sa.Column('layers', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('about', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('brought', sa.Boolean(), nullable=False),
    sa.Column('cost', sa.Numeric(precision=12, scale=5), nullable=False),
    sa.Column('created', postgresql.TIMESTAMP(timezone=True), nullable=False),
    sa.ForeignKeyConstraint(['film'], ['films.id'], ),
    sa.PrimaryKeyConstraint('id')
    )
    op.create_index('takes_of_shot', 'takes', ['film', 'shot', 'number'], unique=True)
    op.create_table('items',
    sa.Column('id', sa.BigInteger(), autoincrement=True, nullable=False),
    sa.Column('run', sa.String(length=12), nullable=False),
    sa.Column('stage', sa.Integer(), nullable=False),
    sa.Column('kind', sa.String(length=20), nullable=False),
    sa.Column('label', sa.Text(), nullable=False),
    sa.Column('shot', sa.Integer(), nullable=True),
    sa.Column('spec', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('state', sa.String(length=12), nullable=False),
    sa.Column('progress', sa.Double(), nullable=False),
    sa.Column('weight', sa.Double(), nullable=False),
    sa.Column('cost', sa.Numeric(precision=12, scale=5), nullable=False),
    sa.Column('message', sa.Text(), nullable=False),
    sa.ForeignKeyConstraint(['run'], ['runs.id'], ),
    sa.PrimaryKeyConstraint('id')
    )
    op.create_index('items_of_run', 'items', ['run', 'stage'], unique=False)
