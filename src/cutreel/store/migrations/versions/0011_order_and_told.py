"""The order in which runs are made, and addresses outside that are told when one has ended."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("runs", sa.Column("priority", sa.Integer, nullable=False, server_default="0"))
    op.create_table(
        "told_addresses",
        sa.Column("id", sa.String(12), primary_key=True),
        sa.Column("address", sa.Text, nullable=False),
        sa.Column("sealed", sa.LargeBinary, nullable=False),
        sa.Column("created", sa.DateTime(timezone=True), nullable=False),
    )
    op.create_table(
        "tellings",
        sa.Column("id", sa.String(32), primary_key=True),
        sa.Column(
            "address",
            sa.String(12),
            sa.ForeignKey("told_addresses.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("body", JSONB, nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("tries", sa.Integer, nullable=False, server_default="0"),
        sa.Column("due", sa.DateTime(timezone=True)),
        sa.Column("arrived", sa.DateTime(timezone=True)),
        sa.Column("says", sa.Text, nullable=False, server_default=""),
    )
    op.create_index("tellings_due", "tellings", ["due"], postgresql_where=sa.text("due IS NOT NULL"))


def downgrade() -> None:
    op.drop_table("tellings")
    op.drop_table("told_addresses")
    op.drop_column("runs", "priority")
