"""Questions of a run, and what services call back."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("runs", sa.Column("questions", JSONB, nullable=False, server_default="{}"))
    op.create_table(
        "callbacks",
        sa.Column("key", sa.String(80), primary_key=True),
        sa.Column("token", sa.String(64), nullable=False, unique=True),
        sa.Column("sent", sa.DateTime(timezone=True)),
        sa.Column("media", sa.String(80)),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False),
    )


def downgrade() -> None:
    op.drop_table("callbacks")
    op.drop_column("runs", "questions")
